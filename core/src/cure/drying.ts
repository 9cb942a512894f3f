import type { Day } from '../calendar'
import { addDays, daysBetween } from '../calendar'

/** One weighing of a marked bar. */
export interface WeighIn {
  readonly day: Day
  readonly massG: number
}

export interface CureProgress {
  /** Day n of the cure, 0 on the day of the cut. */
  readonly dayNumber: number
  readonly ofDays: number
  readonly readyDay: Day
  readonly isOver: boolean
}

/** Where a cure stands. @throws {RangeError} if a day is no day */
export function cureProgress(cutDay: Day, cureDays: number, today: Day): CureProgress {
  const dayNumber = daysBetween(cutDay, today)
  return { dayNumber, ofDays: cureDays, readyDay: addDays(cutDay, cureDays), isOver: dayNumber >= cureDays }
}

/** Weigh-ins by day, the last one of each day. */
export function inOrder(weighIns: readonly WeighIn[]): readonly WeighIn[] {
  const byDay = new Map(weighIns.map((weighIn) => [weighIn.day, weighIn]))
  return [...byDay.values()].sort((a, b) => a.day.localeCompare(b.day))
}

/** Share of its first mass that the marked bar has lost so far; undefined before the second weighing. */
export function lossSoFar(weighIns: readonly WeighIn[]): number | undefined {
  const ordered = inOrder(weighIns)
  const first = ordered[0]
  const last = ordered[ordered.length - 1]
  return first && last && first !== last ? 1 - last.massG / first.massG : undefined
}

function massOn(ordered: readonly WeighIn[], day: Day): number | undefined {
  const after = ordered.findIndex((weighIn) => weighIn.day >= day)
  const right = ordered[after]
  if (!right) return undefined
  if (right.day === day) return right.massG
  const left = ordered[after - 1]
  if (!left) return undefined
  return left.massG + ((right.massG - left.massG) * daysBetween(left.day, day)) / daysBetween(left.day, right.day)
}

/** A bar has levelled off when it lost less than this share of its mass in the last {@link levelledOffWindowDays}. */
export const levelledOffLoss = 0.005
export const levelledOffWindowDays = 7

/**
 * Whether the marked bar has levelled off at its last weighing, by straight lines between weighings. Undefined when
 * the weighings span less than seven days.
 */
export function hasLevelledOff(weighIns: readonly WeighIn[]): boolean | undefined {
  const ordered = inOrder(weighIns)
  const last = ordered[ordered.length - 1]
  if (!last) return undefined
  const before = massOn(ordered, addDays(last.day, -levelledOffWindowDays))
  return before === undefined ? undefined : 1 - last.massG / before < levelledOffLoss
}

/** How much of the cure is over, 0 to 1. */
export function shareOfCure({ dayNumber, ofDays }: CureProgress): number {
  return ofDays > 0 ? Math.min(1, Math.max(0, dayNumber / ofDays)) : 1
}

/** A marked bar is weighed every so many days. A rule of the house. */
export const weighInEveryDays = 7

/** Whether the marked bar is due to be weighed. @throws {RangeError} if a day is no day */
export function weighInIsDue(weighIns: readonly WeighIn[], today: Day): boolean {
  const last = inOrder(weighIns).at(-1)
  return last === undefined || daysBetween(last.day, today) >= weighInEveryDays
}

/** A cured face is photographed on these days of its cure, for how its colours move. A rule of the house. */
export const photoCureDays = [1, 7, 28] as const

/** The day of the cure whose photograph is due: the last that was reached, unless one was taken since. Undefined if none is. */
export function photoDue(photoDays: readonly Day[], cutDay: Day, today: Day): number | undefined {
  const now = daysBetween(cutDay, today)
  const reached = photoCureDays.filter((cureDay) => cureDay <= now).at(-1)
  const isTaken = reached !== undefined && photoDays.some((day) => daysBetween(cutDay, day) >= reached)
  return isTaken ? undefined : reached
}

/** Weighings by day of the cure, counted from the cut. @throws {RangeError} if a day is no day */
export function weighInsByCureDay(
  weighIns: readonly WeighIn[],
  cutDay: Day,
): readonly { readonly cureDay: number; readonly massG: number }[] {
  return inOrder(weighIns).map(({ day, massG }) => ({ cureDay: daysBetween(cutDay, day), massG }))
}
