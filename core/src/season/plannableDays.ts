import type { Day } from '../calendar'
import { daysBetween, formatDay } from '../calendar'
import type { Finding } from '../findings'

/** How far ahead a pour may be planned, days: further on nobody knows the hours there will be. A choice of the house. */
export const mostDaysAhead = 1000
/** How long after its pour a cut may be planned, days. Longer than any soap sets; a choice of the house. */
export const mostDaysInMould = 60

/**
 * What forbids a pour to stand on these days at all, whatever else stands in the plan; undefined when nothing does.
 *
 * @param cutDay null: the first day with hours in its setting time
 * @throws {RangeError} if a day is no day
 */
export function unplannable(
  { pourDay, cutDay }: { readonly pourDay: Day; readonly cutDay: Day | null },
  today: Day,
): Finding | undefined {
  const refuse = (code: string, field: 'pourDay' | 'cutDay', message: string): Finding => ({
    severity: 'refuse',
    code,
    field,
    message,
  })
  if (pourDay < today)
    return refuse('day_is_past', 'pourDay', `${formatDay(pourDay, today)} is past. Choose today or a later day.`)
  if (daysBetween(today, pourDay) > mostDaysAhead)
    return refuse('day_too_far', 'pourDay', `That day is more than ${mostDaysAhead} days away. Choose a nearer one.`)
  if (cutDay === null) return undefined
  const set = daysBetween(pourDay, cutDay)
  if (set < 1) return refuse('cut_before_pour', 'cutDay', 'It is cut after it is poured.')
  return set > mostDaysInMould
    ? refuse('cut_too_late', 'cutDay', `It would stand in its mould for ${set} days. Choose an earlier day to cut.`)
    : undefined
}
