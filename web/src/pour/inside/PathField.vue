<script setup lang="ts">
import { useUnits } from '@/parts/format'
import type { SectionPoint } from '@vendange/core/pour'
import { useUnread } from '@/parts/useUnread'
import { ref } from 'vue'
import { pathOfText, pathText } from './pathText'

/** A path that is typed as points. What cannot be read stays as it was typed. */
const props = defineProps<{ path: readonly SectionPoint[]; label: string }>()
const emit = defineEmits<{ path: [path: SectionPoint[]] }>()
const { reading } = useUnits()
const typed = ref<string>()
const { problem, report, kept } = useUnread(props.label)
if (kept !== undefined) read(kept)
function read(text: string): void {
  typed.value = text
  const { lengthUnit } = reading.value
  const path = pathOfText(text, lengthUnit)
  const example = lengthUnit === 'mm' ? '18 56, 18 10' : '0.7 2.2, 0.7 0.4'
  report(path ? undefined : `Write points as “${example}”: two figures in ${lengthUnit}, a comma between points.`, text)
  if (path) emit('path', path)
}
</script>

<template>
  <v-text-field
    :model-value="typed ?? pathText(path, reading.lengthUnit)"
    :label="`${label}, ${reading.lengthUnit}`"
    :error-messages="problem ?? []"
    @blur="typed = problem === undefined ? undefined : typed"
    @update:model-value="read"
  />
</template>
