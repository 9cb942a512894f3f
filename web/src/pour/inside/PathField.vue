<script setup lang="ts">
import type { SectionPoint } from '@vendange/core/pour'
import { ref } from 'vue'
import { pathOfText, pathText } from './pathText'

/** A path that is typed as points. What cannot be read stays as it was typed. */
defineProps<{ path: readonly SectionPoint[]; label: string }>()
const emit = defineEmits<{ path: [path: SectionPoint[]] }>()
const typed = ref<string>()
const problem = ref<string>()
function read(text: string): void {
  typed.value = text
  const path = pathOfText(text)
  problem.value = path ? undefined : 'Write points as “18 56, 18 10”: two figures in mm, a comma between points.'
  if (path) emit('path', path)
}
</script>

<template>
  <v-text-field
    :model-value="typed ?? pathText(path)"
    :label="label"
    :error-messages="problem ?? []"
    @blur="typed = problem === undefined ? undefined : typed"
    @update:model-value="read"
  />
</template>
