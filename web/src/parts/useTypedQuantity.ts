import type { QuantityKind, Range } from '@vendange/core/units'
import { parseQuantity } from '@vendange/core/units'
import type { Ref } from 'vue'
import { computed, ref, watch } from 'vue'
import { useUnits } from './format'
import { useUnread } from './useUnread'

export interface TypedQuantityOptions {
  readonly kind: QuantityKind
  readonly label: string
  readonly range?: Range | undefined
  /** May be left empty, which is null. */
  readonly optional?: boolean | undefined
  readonly digits?: number | undefined
}

/**
 * A quantity as it is typed: its text stays as the maker has it, its value follows whenever it can be read. Text that
 * cannot be read holds the form around back from saving.
 */
export function useTypedQuantity(
  model: Ref<number | null>,
  options: TypedQuantityOptions,
  tell: (problem: string | undefined) => void = () => undefined,
) {
  const { unitOf, asTyped, say } = useUnits()
  const { problem, report: reportUnread, kept } = useUnread(options.label)
  const text = ref('')
  let isFocused = false

  const written = computed(() =>
    model.value === null || Number.isNaN(model.value) ? '' : asTyped(options.kind, model.value, options.digits),
  )
  watch(
    written,
    (now) => {
      if (!isFocused && problem.value === undefined) text.value = now
    },
    { immediate: true },
  )

  function report(message: string | undefined): void {
    reportUnread(message, text.value)
    tell(message)
  }

  function read(typed: string): void {
    text.value = typed
    if (typed.trim() === '' && options.optional === true) {
      report(undefined)
      model.value = null
      return
    }
    const unit = unitOf(options.kind)
    const parsed = parseQuantity(options.kind, typed, {
      ...(unit === undefined ? {} : { unit }),
      ...(options.range === undefined ? {} : { range: options.range }),
    })
    report(parsed.ok ? undefined : say(parsed.problem))
    if (parsed.ok) model.value = parsed.value
  }

  if (kept !== undefined) read(kept)

  function enter(): void {
    isFocused = true
  }

  function leave(): void {
    isFocused = false
    if (problem.value === undefined) text.value = written.value
  }

  return { text, problem, read, enter, leave }
}
