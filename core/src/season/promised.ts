import { checkPlan } from './problem/checkPlan'
import { slackOf } from './problem/planCost'
import type { Placement, SeasonBatch, SeasonProblem } from './problem/seasonProblem'

export interface Promised {
  /** First day on which all of the wished batches can be handed over. */
  readonly due: number
  /** The days of the wished batches, and of those that had to move for them. */
  readonly pours: readonly Placement[]
  readonly moved: readonly Placement[]
}

/** Whether a promise holds: its batches stand on days that break nothing new, and are ready by its due day. */
export function promiseHolds(problem: SeasonProblem, standing: readonly Placement[], promised: Promised): boolean {
  const replaced = new Set([...promised.pours, ...promised.moved].map(({ id }) => id))
  const pours = [...standing.filter(({ id }) => !replaced.has(id)), ...promised.pours, ...promised.moved]
  const wished = new Set(promised.pours.map(({ id }) => id))
  const due = (batch: SeasonBatch): SeasonBatch => (wished.has(batch.id) ? { ...batch, due: promised.due } : batch)
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
