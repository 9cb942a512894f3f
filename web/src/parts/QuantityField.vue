<!-- Only a field that may be left empty gives null: its value is a number wherever the model is one. -->
<script setup lang="ts" generic="Value extends number | null">
import type { QuantityKind, Range } from '@vendange/core/units'
import type { Ref } from 'vue'
import { useTypedQuantity } from './useTypedQuantity'

const props = defineProps<{
  kind: QuantityKind
  label: string
  range?: Range
  /** What the form or the server has against the value. */
  error?: string | undefined
  hint?: string
  /** May be left empty, which is null. */
  optional?: boolean
  digits?: number
}>()
const model = defineModel<Value>({ required: true })
const emit = defineEmits<{ problem: [message: string | undefined] }>()

const { text, problem, read, enter, leave } = useTypedQuantity(model as Ref<number | null>, props, (message) =>
  emit('problem', message),
)
</script>

<template>
  <v-text-field
    :model-value="text"
    :label="label"
    :error-messages="problem ?? error ?? []"
    :hint="hint"
    :persistent-hint="hint !== undefined"
    autocomplete="off"
    @update:model-value="read"
    @focus="enter"
    @blur="leave"
  />
</template>
