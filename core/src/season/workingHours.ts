import type { Day } from '../calendar'
import { weekdayIndex } from '../calendar'

/** When one maker works. */
export interface MakerHours {
  /** Hours for Monday to Sunday, seven figures from 0 to 24. 0 is a day off. */
  readonly weekHours: readonly number[]
  /** Days that differ from this maker's week: another job, leave, an extra day. */
  readonly exceptions: readonly DayThatDiffers[]
}

/** A day whose hours are its own. */
export interface DayThatDiffers {
  readonly day: Day
  /** Hours there are, 0 to 24. */
  readonly hours: number
}

/** When the workshop works: its makers' hours together. */
export interface WorkingHours {
  readonly makers: readonly MakerHours[]
  /** Days that differ for everyone, in hours of the whole workshop: holidays, market days, a lost day. */
  readonly exceptions: readonly DayThatDiffers[]
}

/** Hours one maker has on a day, whatever the workshop as a whole says. @throws {RangeError} if it is no day */
export function makerHoursOn(day: Day, maker: MakerHours): number {
  const exception = maker.exceptions.find((other) => other.day === day)
  return exception?.hours ?? maker.weekHours[weekdayIndex(day)] ?? 0
}

/** Hours of work there are on a day, of all makers together. @throws {RangeError} if it is no day */
export function hoursOn(day: Day, working: WorkingHours): number {
  const exception = working.exceptions.find((other) => other.day === day)
  return exception?.hours ?? working.makers.reduce((sum, maker) => sum + makerHoursOn(day, maker), 0)
}

/** Hours of a usual week, of all makers together. */
export function weekHoursTotal({ makers }: WorkingHours): number {
  return makers.reduce((sum, { weekHours }) => sum + weekHours.reduce((week, hours) => week + hours, 0), 0)
}
