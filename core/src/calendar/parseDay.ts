import type { Day } from './day'
import { addDays, daysBetween, isNearDay, weekdayIndex } from './day'

/** Whether a workshop writes 4/10 for the tenth of April or for the fourth of October. */
export type DayOrder = 'day_first' | 'month_first'

export interface ParseDayOptions {
  readonly today: Day
  readonly order: DayOrder
}

const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']
const weekdays = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun']
const startsWith =
  (text: string) =>
  (short: string): boolean =>
    text.length >= 3 && text.startsWith(short)

const two = (number: number): string => String(number).padStart(2, '0')

/** A day of a year, where one is written; else of the year in which it is nearest to today. */
function dayOf(year: string | undefined, month: number, day: number, today: Day): Day | undefined {
  const of = (full: number): Day | undefined => {
    const written = `${full}-${two(month)}-${two(day)}`
    return isNearDay(written) ? written : undefined
  }
  if (year !== undefined) return of(year.length === 2 ? 2000 + Number(year) : Number(year))
  const thisYear = Number(today.slice(0, 4))
  // Past the next leap day and back to the last one.
  const years = Array.from({ length: 9 }, (_, index) => thisYear - 4 + index)
  const far = (one: Day): number => Math.abs(daysBetween(one, today))
  return years.flatMap((full) => of(full) ?? []).sort((one, other) => far(one) - far(other))[0]
}

/**
 * Reads a day as a maker writes it: "10 Apr 2027", "Sat 10 Apr", "Apr 10", "10.4.", "10/4/27" in the workshop's own order,
 * "2027-04-10", "today", "tomorrow", "+3" days from today, "sat" for the next one. Undefined for anything else, and for a
 * day that there is not.
 *
 * @example parseDay('10/4', { today: '2027-03-08', order: 'day_first' }) // '2027-04-10'
 */
export function parseDay(text: string, { today, order }: ParseDayOptions): Day | undefined {
  const plain = text.trim().toLowerCase().replace(/,/g, ' ').replace(/\s+/g, ' ')
  if (isNearDay(plain)) return plain
  if (plain === 'today') return today
  if (plain === 'tomorrow') return addDays(today, 1)
  const ahead = /^\+ ?(\d{1,3})(?: days?)?$/.exec(plain)?.[1]
  if (ahead !== undefined) return addDays(today, Number(ahead))
  const weekday = weekdays.findIndex(startsWith(plain))
  if (weekday >= 0 && /^[a-z]+$/.test(plain)) return addDays(today, ((weekday - weekdayIndex(today) + 6) % 7) + 1)

  const figures = /^(\d{1,2})[./-](\d{1,2})(?:[./-](\d{4}|\d{2})?)?$/.exec(plain)
  if (figures) {
    const [first, second] = [Number(figures[1]), Number(figures[2])]
    const [day, month] = order === 'day_first' ? [first, second] : [second, first]
    return dayOf(figures[3], month, day, today)
  }
  // Its weekday says nothing that the day does not say.
  const words = /^(?:[a-z]{3,9} )?(?:(\d{1,2})\.? ([a-z]{3,9})|([a-z]{3,9}) (\d{1,2}))(?: (\d{4}))?$/.exec(plain)
  const month = months.findIndex(startsWith(words?.[2] ?? words?.[3] ?? ''))
  return words && month >= 0 ? dayOf(words[5], month + 1, Number(words[1] ?? words[4]), today) : undefined
}
