import { slackOf } from '../problem/planCost'
import type { Placement, ProblemBatch, SeasonProblem } from '../problem/seasonProblem'
import type { Delivery } from './delivery'
import { solveSeason } from '../solver/solveSeason'

/** Lateness of those who have a promise weighs so much more than that of the wished batches that none is traded for it. */
const keptWeight = 100

/**
 * A delivery found by planning the whole season again: the wished batches as early as can be, nobody else later than they
 * are now. It moves whom it likes, and finds what needs more moves than a search move by move can look at. It is a search
 * of its own that may miss the earliest day.
 *
 * @param standing where the other batches stand
 * @param pinned batches that must not move
 * @param effort of the solver; 1 is that of a whole plan
 */
export function deliveryByReplan(
  problem: SeasonProblem,
  standing: readonly Placement[],
  wished: readonly string[],
  pinned: readonly Placement[],
  effort: number,
): Delivery | undefined {
  const was = new Map(standing.map((placement) => [placement.id, placement]))
  const lateOf = (batch: ProblemBatch, cut: number): number => Math.max(0, -slackOf(batch, cut))
  const batches = problem.batches.flatMap((batch) => {
    const before = was.get(batch.id)
    if (wished.includes(batch.id)) return [{ ...batch, due: 0, weight: 1 }]
    return before ? [{ ...batch, due: batch.due + lateOf(batch, before.cut), weight: keptWeight }] : []
  })
  const { plan, check } = solveSeason({ ...problem, batches }, { pinned, effort })
  const byId = new Map(problem.batches.map((batch) => [batch.id, batch]))
  const pours = plan.pours.filter(({ id }) => wished.includes(id))
  const others = plan.pours.filter(({ id }) => was.has(id))
  const keepsAll = others.every(({ id, cut }) => {
    const [batch, before] = [byId.get(id), was.get(id)]
    return batch && before && lateOf(batch, cut) <= lateOf(batch, before.cut)
  })
  if (!check.isFeasible || !keepsAll || pours.length < wished.length || others.length < standing.length)
    return undefined
  const due = Math.max(...pours.map(({ id, cut }) => cut + (byId.get(id)?.cureDays ?? 0)))
  const moved = others.filter(({ id, pour, cut }) => {
    const before = was.get(id)
    return before?.pour !== pour || before.cut !== cut
  })
  return { due, pours, moved }
}
