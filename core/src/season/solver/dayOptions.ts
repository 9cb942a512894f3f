import { Occupancy } from '../occupancy'
import type { ProblemBatch, SeasonProblem } from '../problem/seasonProblem'

/** A pour day and a cut day that a batch may take. */
export interface DayOption {
  readonly pour: number
  readonly cut: number
}

/** A season in which nobody else is planned, to look for the days that a batch could take: see {@link dayOptions}. */
export function emptySeason(problem: SeasonProblem): Occupancy {
  // Racks that the past has filled are left out: they hold up every batch alike and empty by themselves.
  const { taken } = problem
  return new Occupancy(taken ? { ...problem, taken: { ...taken, trays: [] } } : problem)
}

/**
 * The days a batch could take if it were alone in the workshop, by pour day, then cut day. Empty when there are none:
 * the batch cannot be made in this season.
 *
 * @param empty the season without planned batches, where the caller has it
 */
export function dayOptions(
  problem: SeasonProblem,
  batch: ProblemBatch,
  empty: Occupancy = emptySeason(problem),
): readonly DayOption[] {
  const { days } = problem
  const { earliest, setDays } = batch
  const options: DayOption[] = []
  for (let pour = earliest; pour < days; pour++) {
    if (!empty.canPour(batch, pour)) continue
    for (let cut = pour + setDays.min; cut <= pour + setDays.max && cut < days; cut++)
      if (empty.fits({ batch, pour, cut })) options.push({ pour, cut })
  }
  return options
}
