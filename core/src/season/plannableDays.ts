import type { Day } from '../calendar'
import { daysBetween } from '../calendar'
import type { Finding } from '../findings'
import { quantity, refuse } from '../findings'

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
  if (pourDay < today) return refuse('day_is_past', { day: quantity.day(pourDay) }, 'pourDay')
  if (daysBetween(today, pourDay) > mostDaysAhead)
    return refuse('day_too_far', { most: quantity.days(mostDaysAhead) }, 'pourDay')
  if (cutDay === null) return undefined
  const set = daysBetween(pourDay, cutDay)
  if (set < 1) return refuse('cut_before_pour', undefined, 'cutDay')
  return set > mostDaysInMould ? refuse('cut_too_late', { set: quantity.days(set) }, 'cutDay') : undefined
}
