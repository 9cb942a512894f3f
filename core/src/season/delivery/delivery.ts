import { checkPlan } from '../problem/checkPlan'
import { slackOf } from '../problem/planCost'
import type { Placement, ProblemBatch, SeasonProblem } from '../problem/seasonProblem'

/** A day on which wished batches can be handed over, and how. */
export interface Delivery {
  /** First day on which all of the wished batches can be handed over. */
  readonly due: number
  /** The days of the wished batches, and of those that had to move for them. */
  readonly pours: readonly Placement[]
  readonly moved: readonly Placement[]
}

/** Whether a delivery holds: its batches stand on days that break nothing new, and are ready by its due day. */
export function deliveryHolds(problem: SeasonProblem, standing: readonly Placement[], delivery: Delivery): boolean {
  const replaced = new Set([...delivery.pours, ...delivery.moved].map(({ id }) => id))
  const pours = [...standing.filter(({ id }) => !replaced.has(id)), ...delivery.pours, ...delivery.moved]
  const wished = new Set(delivery.pours.map(({ id }) => id))
  const due = (batch: ProblemBatch): ProblemBatch => (wished.has(batch.id) ? { ...batch, due: delivery.due } : batch)
  const season = {
    ...problem,
    batches: problem.batches.filter(({ id }) => pours.some((one) => one.id === id)).map(due),
  }
  const { isFeasible } = checkPlan(season, { pours })
  const inTime = season.batches.every((batch) => {
    const at = pours.find(({ id }) => id === batch.id)
    return !wished.has(batch.id) || (at !== undefined && slackOf(batch, at.cut) >= 0)
  })
  return isFeasible && inTime
}
