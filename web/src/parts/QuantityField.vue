<!-- Only a field that may be left empty gives null: its value is a number wherever the model is one. -->
<script setup lang="ts" generic="Value extends number | null">
import type { QuantityKind, Range } from '@vendange/core/units'
import { parseQuantity } from '@vendange/core/units'
import { computed, inject, onBeforeUnmount, ref, watch } from 'vue'
import { useUnits } from './format'
import { unreadFieldsKey } from './useSavedForm'

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

const { unitOf, asTyped, say } = useUnits()
const unread = inject(unreadFieldsKey, undefined)
const key = Symbol(props.label)
const text = ref('')
const problem = ref<string>()
const focused = ref(false)

const written = computed(() =>
  model.value === null || Number.isNaN(model.value) ? '' : asTyped(props.kind, model.value, props.digits),
)
watch(
  written,
  (now) => {
    if (!focused.value && !problem.value) text.value = now
  },
  { immediate: true },
)

function report(message: string | undefined): void {
  problem.value = message
  if (message === undefined) unread?.delete(key)
  else unread?.set(key, message)
  emit('problem', message)
}

function read(typed: string): void {
  text.value = typed
  if (typed.trim() === '' && props.optional) {
    report(undefined)
    model.value = null as Value
    return
  }
  const unit = unitOf(props.kind)
  const parsed = parseQuantity(props.kind, typed, {
    ...(unit === undefined ? {} : { unit }),
    ...(props.range === undefined ? {} : { range: props.range }),
  })
  report(parsed.ok ? undefined : say(parsed.problem))
  if (parsed.ok) model.value = parsed.value as Value
}

function leave(): void {
  focused.value = false
  if (problem.value === undefined) text.value = written.value
}

onBeforeUnmount(() => unread?.delete(key))
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
    @focus="focused = true"
    @blur="leave"
  />
</template>
