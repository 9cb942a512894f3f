import type { Day } from '@vendange/core/calendar'
import { addDays, formatDay, isDay, isNearDay, parseDay } from '@vendange/core/calendar'
import { sentence } from '@vendange/core/findings'
import type { Ref } from 'vue'
import { computed, ref, watch } from 'vue'
import { useUnits } from './format'
import { useSeason } from './seasonStore'
import { useUnread } from './useUnread'

export interface TypedDayOptions {
  readonly label: string
  /** May be left empty, which is null. */
  readonly optional?: boolean | undefined
}

/** A year that no day differs from: so that a field always tells it. */
const otherYear: Day = '1990-01-01'
/** A day that is written out, which nothing that is typed after it can change. */
const isWhole = (typed: string): boolean => isNearDay(typed.trim()) || /\b\d{4}$/.test(typed.trim())

/**
 * A day as it is typed: its text stays as the maker has it until the field is left, then it stands there in full. Text
 * that cannot be read holds the form around back from saving.
 */
export function useTypedDay(model: Ref<Day | null>, options: TypedDayOptions) {
  const season = useSeason()
  const { reading, say } = useUnits()
  const { problem, report: reportUnread, kept } = useUnread(options.label)
  const report = (message: string | undefined): void => reportUnread(message, text.value)
  const written = computed(() => (model.value && isDay(model.value) ? formatDay(model.value, otherYear) : ''))
  const text = ref(written.value)
  let isTyping = false
  watch(written, (now) => {
    if (!isTyping && problem.value === undefined) text.value = now
  })

  function take(typed: string, isLeft: boolean): void {
    if (typed.trim() === '' && options.optional === true) {
      report(undefined)
      if (model.value !== null) model.value = null
      return
    }
    const day = parseDay(typed, { today: season.today, order: reading.value.dayOrder })
    if (day !== undefined && (isLeft || isWhole(typed))) {
      report(undefined)
      if (day !== model.value) model.value = day
    } else if (day === undefined && isLeft) {
      const example = formatDay(addDays(season.today, 30), otherYear)
      const short = reading.value.dayOrder === 'month_first' ? '4/10' : '10.4.'
      report(say(sentence('day_typed_unread', { example, short })))
    }
  }

  function read(typed: string): void {
    isTyping = true
    text.value = typed
    take(typed, false)
  }

  function leave(): void {
    if (isTyping) take(text.value, true)
    isTyping = false
    if (problem.value === undefined) text.value = written.value
  }

  if (kept !== undefined) {
    read(kept)
    leave()
  }

  function choose(day: Day): void {
    isTyping = false
    report(undefined)
    model.value = day
    text.value = formatDay(day, otherYear)
  }

  return { text, problem, read, leave, choose }
}
