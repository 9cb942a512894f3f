import { slackOf } from './problem/planCost'
import type { SeasonProblem } from './problem/seasonProblem'
import { dayOptions, emptySeason } from './solver/dayOptions'

/**
 * Days of lateness, all batches together, that no plan can do without: what each would be late if it were alone in the
 * workshop and took the first days it can. A plan that comes to no more cannot be bettered in this; one that does may
 * have to, since batches stand in each other’s way.
 *
 * A batch that has no day at all counts for nothing.
 */
export function leastLateDays(problem: SeasonProblem): number {
  const empty = emptySeason(problem)
  return problem.batches.reduce((sum, batch) => {
    const options = dayOptions(problem, batch, empty)
    const soonest = Math.min(...options.map(({ cut }) => Math.max(0, -slackOf(batch, cut))))
    return sum + (Number.isFinite(soonest) ? soonest : 0)
  }, 0)
}
