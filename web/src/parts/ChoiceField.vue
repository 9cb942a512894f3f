<script setup lang="ts" generic="T">
import { computed, ref } from 'vue'
import type { Choice } from './typedChoice'
import { choiceOf } from './typedChoice'

/** One of many choices, by the list or by typing: what was typed in full counts, however the field is left. */
const { modelValue, items, error } = defineProps<{
  readonly modelValue?: T | undefined
  readonly items: readonly (Choice<T> | T)[]
  readonly label: string
  readonly error?: string | undefined
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()

const choices = computed(() =>
  items.map((item) =>
    typeof item === 'object' && item !== null && 'title' in item ? item : { value: item, title: String(item) },
  ),
)
const chosen = computed(() => choices.value.find(({ value }) => value === modelValue))
/** What stands in the field, typed or chosen. */
const text = ref<string>()
const problem = ref<string>()

/** A field that is emptied keeps its choice. */
function choose(value: T | null | undefined): void {
  if (value !== null && value !== undefined) emit('update:modelValue', value)
}
function settle(isIn: boolean): void {
  const typed = text.value ?? ''
  if (isIn || typed === '' || typed === chosen.value?.title) {
    problem.value = undefined
    return
  }
  const meant = choiceOf(typed, choices.value)
  if (meant) choose(meant.value)
  problem.value = meant ? undefined : `“${typed}” is not among the choices. Choose one from the list.`
}
const messages = computed(() => [problem.value ?? error].filter((message) => message !== undefined))
</script>

<template>
  <v-autocomplete
    v-model:search="text"
    :model-value="modelValue"
    :items="choices"
    :label="label"
    auto-select-first
    :error-messages="messages"
    @update:model-value="choose"
    @update:focused="settle"
  />
</template>
