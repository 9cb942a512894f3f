<script setup lang="ts">
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import type { PotPart } from '@vendange/core/pour'
import { computed } from 'vue'

/** Which pot is poured, and how much of it. */
const props = defineProps<{
  modelValue: PotPart
  label: string
  colours: readonly { readonly name: string }[]
  potsG: readonly number[]
}>()
const emit = defineEmits<{ 'update:modelValue': [part: PotPart] }>()
const { show } = useUnits()
const partRange = { min: 0, max: 1 }
const choices = computed(() => props.colours.map(({ name }, value) => ({ value, title: name })))
const change = (part: Partial<PotPart>): void => emit('update:modelValue', { ...props.modelValue, ...part })
</script>

<template>
  <v-select
    :model-value="modelValue.pot"
    :items="choices"
    :label="label"
    @update:model-value="change({ pot: $event })"
  />
  <QuantityField
    :model-value="modelValue.part"
    kind="share"
    :range="partRange"
    label="Of the pot"
    :hint="show('mass', (potsG[modelValue.pot] ?? 0) * modelValue.part)"
    @update:model-value="change({ part: $event ?? 0 })"
  />
</template>
