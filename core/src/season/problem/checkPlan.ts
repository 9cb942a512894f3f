import type { SeasonLoad } from '../occupancy'
import { Occupancy } from '../occupancy'
import type { CostParts } from './planCost'
import { planCost } from './planCost'
import type { SeasonPlan, SeasonProblem } from './seasonProblem'
import type { Violation } from './violation'

export interface PlanCheck {
  readonly isFeasible: boolean
  readonly violations: readonly Violation[]
  readonly cost: number
  readonly parts: CostParts
  readonly load: SeasonLoad
}

/**
 * Holds a plan against every hard rule of the season and computes its cost. Work of a whole-season check grows with
 * batches and days only, so that it can follow a drag.
 *
 * Lateness breaks no rule: it is cost.
 */
export function checkPlan(problem: SeasonProblem, plan: SeasonPlan): PlanCheck {
  const byId = new Map(problem.batches.map((batch) => [batch.id, batch]))
  const occupancy = new Occupancy(problem)
  const violations: Violation[] = []
  const seen = new Set<string>()
  for (const { id, pour, cut } of plan.pours) {
    const batch = byId.get(id)
    if (!batch) {
      violations.push({ rule: 'unknown', id })
    } else if (seen.has(id)) {
      violations.push({ rule: 'twice', id })
    } else {
      const placed = { batch, pour, cut }
      const broken = occupancy.brokenRules(placed)
      for (const rule of broken) violations.push({ ...rule, id })
      if (!broken.some(({ rule }) => rule === 'outside')) occupancy.take(placed)
    }
    seen.add(id)
  }
  for (const { id } of problem.batches) if (!seen.has(id)) violations.push({ rule: 'missing', id })
  violations.push(...occupancy.overfull())
  const { cost, parts } = planCost(problem, plan.pours)
  return { isFeasible: violations.length === 0, violations, cost, parts, load: occupancy.load }
}
