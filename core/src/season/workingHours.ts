import type { Day } from '../calendar'
import { weekdayIndex } from '../calendar'

/** When the workshop works. */
export interface WorkingHours {
  /** Hours for Monday to Sunday, seven figures from 0 to 24. 0 is a day off. */
  readonly weekHours: readonly number[]
  /** Days that differ from the week: holidays, market days, extra days. */
  readonly exceptions: readonly { readonly day: Day; readonly hours: number }[]
}

/** Hours of work there are on a day. @throws {RangeError} if it is no day */
export function hoursOn(day: Day, working: WorkingHours): number {
  const exception = working.exceptions.find((other) => other.day === day)
  return exception?.hours ?? working.weekHours[weekdayIndex(day)] ?? 0
}

/** Hours of a usual week. */
export function weekHoursTotal(working: WorkingHours): number {
  return working.weekHours.reduce((sum, hours) => sum + hours, 0)
}
