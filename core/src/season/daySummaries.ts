import type { Day } from '../calendar'
import { addDays } from '../calendar'
import type { PlannedBatch } from './plannedBatch'
import type { WorkingHours } from './workingHours'
import { hoursOn } from './workingHours'

/** What one day asks. Batches are named by id. */
export interface DaySummary {
  readonly day: Day
  readonly hoursThere: number
  readonly hoursPlanned: number
  readonly prepares: readonly string[]
  readonly pours: readonly string[]
  readonly cuts: readonly string[]
  /** Batches whose cure ends on this day. */
  readonly ready: readonly string[]
}

/** Hours of work that the plan asks of a day, past or to come, set-up included. */
export function plannedHours(day: Day, batches: readonly PlannedBatch[], setupHours: number): number {
  let hours = 0
  let pours = 0
  for (const { days, demand } of batches) {
    if (days.prepDay === day) hours += demand.prepHours
    if (days.pourDay === day) {
      hours += demand.pourHours
      pours += 1
    }
    if (days.cutDay === day) hours += demand.cutHours
  }
  return pours > 0 ? hours + setupHours : hours
}

/**
 * The days from `from` on, with what the plan asks of each.
 *
 * @param setupHours hours of set-up and clean-up on a day with a pour
 * @throws {RangeError} if `from` is no day
 */
export function daySummaries(
  from: Day,
  count: number,
  batches: readonly PlannedBatch[],
  working: WorkingHours,
  setupHours: number,
): readonly DaySummary[] {
  return Array.from({ length: count }, (_, index) => {
    const day = addDays(from, index)
    const idsWhere = (matches: (batch: PlannedBatch) => boolean): readonly string[] =>
      batches.filter(matches).map(({ id }) => id)
    return {
      day,
      hoursThere: hoursOn(day, working),
      hoursPlanned: plannedHours(day, batches, setupHours),
      prepares: idsWhere(({ days }) => days.prepDay === day),
      pours: idsWhere(({ days }) => days.pourDay === day),
      cuts: idsWhere(({ days }) => days.cutDay === day),
      ready: idsWhere(({ days }) => days.readyDay === day),
    }
  })
}
