import type { ProblemBatch, SeasonProblem } from './seasonProblem'
import { hoursTolerance } from './seasonProblem'

/** Preparation is done on the day before the pour where nothing else is said. */
export const usualPrepAhead = 1

/**
 * The day on which a batch is prepared that is poured on a day: the last one before it, within so many days, on which
 * there are hours enough for it by the calendar; the very day before where there is none.
 *
 * @param hoursOn hours of work there are on a day, counted from any day
 * @param prepAhead how many days before the pour it may be at the most, whole, from 1
 */
export function prepDayBefore(
  pour: number,
  { prepHours, prepAhead = usualPrepAhead }: { readonly prepHours: number; readonly prepAhead?: number | undefined },
  hoursOn: (day: number) => number,
): number {
  for (let day = pour - 1; day >= pour - prepAhead; day--) if (hoursOn(day) + hoursTolerance >= prepHours) return day
  return pour - 1
}

/** The day on which a batch of a season is prepared; below 0 where that is before its first day. */
export function prepDayOf(
  { hours, prepAhead }: Pick<SeasonProblem, 'hours' | 'prepAhead'>,
  batch: Pick<ProblemBatch, 'prepHours' | 'prepAhead'>,
  pour: number,
): number {
  const ahead = batch.prepAhead ?? prepAhead
  return prepDayBefore(pour, { prepHours: batch.prepHours, prepAhead: ahead }, (day) => hours[day] ?? -Infinity)
}
