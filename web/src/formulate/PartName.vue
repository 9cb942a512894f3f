<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import type { LibraryEntry } from '@vendange/core/recipe'
import { partLibrary, plainName } from '@vendange/core/recipe'
import { computed, ref } from 'vue'

/** The name of a liquid or an additive: one of the library or of the workshop's stores, or any other. */
const { kind, modelValue } = defineProps<{
  kind: LibraryEntry['kind']
  modelValue: string
  label: string
  error?: string | undefined
}>()
const emit = defineEmits<{
  'update:modelValue': [name: string]
  /** It was chosen, by the list or by typing its name in full. */
  chosen: [name: string]
}>()

const season = useSeason()
const names = computed(() => {
  const own = (season.view?.knownMakeups ?? []).filter((one) => one.kind === kind).map(({ name }) => name)
  const library = partLibrary.filter((entry) => entry.kind === kind).map(({ name }) => name)
  return [...new Set([...own.sort(), ...library.sort()])]
})

const search = ref('')
let before = modelValue
const isKnown = (name: string): boolean => names.value.some((one) => plainName(one) === plainName(name))

function take(name: string | null): void {
  // What is picked from the list changes before the text that is searched for does.
  const isPicked = name !== null && name !== search.value && isKnown(name)
  emit('update:modelValue', name ?? '')
  if (isPicked) choose(name)
}
function choose(name: string): void {
  before = name
  emit('chosen', name)
}
function settle(isIn: boolean): void {
  if (isIn) before = modelValue
  else if (modelValue !== before && isKnown(modelValue)) choose(modelValue)
}
</script>

<template>
  <v-combobox
    v-model:search="search"
    :model-value="modelValue"
    :items="names"
    :label="label"
    maxlength="80"
    :error-messages="error ?? []"
    @update:model-value="take"
    @update:focused="settle"
  />
</template>
