import type { CostParts } from './planCost'
import { planCost, traysUntil } from './planCost'
import type { Placement, SeasonBatch, SeasonPlan, SeasonProblem } from './seasonProblem'
import { hoursTolerance, mouldCountOf } from './seasonProblem'

/** A hard rule of the season that a plan breaks, with its numbers. Days count from day 0 of the problem. */
export type Violation =
  | { readonly rule: 'unknown' | 'twice' | 'missing' | 'outside' | 'no_day_to_prepare'; readonly id: string }
  | { readonly rule: 'too_early'; readonly id: string; readonly earliest: number }
  | { readonly rule: 'set_days'; readonly id: string; readonly set: number; readonly min: number; readonly max: number }
  | { readonly rule: 'hours' | 'oven' | 'trays'; readonly day: number; readonly asked: number; readonly there: number }
  | {
      readonly rule: 'moulds'
      readonly kind: string
      readonly day: number
      readonly asked: number
      readonly there: number
    }

export interface PlanCheck {
  readonly isFeasible: boolean
  readonly violations: readonly Violation[]
  readonly cost: number
  readonly parts: CostParts
  readonly load: SeasonLoad
}

/** What a plan asks of each day. */
export interface SeasonLoad {
  /** Hours of work, set-up included. */
  readonly hours: readonly number[]
  readonly trays: readonly number[]
  readonly oven: readonly number[]
  readonly moulds: Readonly<Record<string, readonly number[]>>
}

/** Adds up what placements ask of each day, on top of what is taken. Days outside the season count nowhere. */
export function seasonLoad(
  problem: SeasonProblem,
  placed: readonly { readonly batch: SeasonBatch; readonly pour: number; readonly cut: number }[],
): SeasonLoad {
  const { days, taken } = problem
  const hours = new Array<number>(days).fill(0)
  const oven = new Array<number>(days).fill(0)
  const trays = Array.from({ length: days }, (_, day) => taken?.trays[day] ?? 0)
  const moulds: Record<string, number[]> = {}
  const kinds = Object.keys(problem.mouldKinds).map((kind) => {
    const row = Array.from({ length: days }, (_, day) => taken?.moulds[kind]?.[day] ?? 0)
    moulds[kind] = row
    return { kind, row }
  })
  const isPourDay = new Array<boolean>(days).fill(false)
  const add = (row: number[], day: number, amount: number): void => {
    if (day >= 0 && day < days) row[day] = (row[day] ?? 0) + amount
  }
  for (const { batch, pour, cut } of placed) {
    if (batch.prepHours > 0) add(hours, pour - 1, batch.prepHours)
    add(hours, pour, batch.pourHours)
    add(hours, cut, batch.cutHours)
    if (pour >= 0 && pour < days) isPourDay[pour] = true
    if (batch.oven) add(oven, pour, mouldCountOf(batch))
    for (const { kind, row } of kinds) {
      const count = batch.moulds[kind] ?? 0
      if (count > 0) for (let day = pour; day < cut; day++) add(row, day, count)
    }
    for (let day = cut, end = traysUntil(batch, cut, days); day < end; day++) add(trays, day, batch.trays)
  }
  isPourDay.forEach((pours, day) => {
    if (pours) add(hours, day, problem.setupHours)
  })
  return { hours, trays, oven, moulds }
}

function batchViolations(batch: SeasonBatch, { id, pour, cut }: Placement): Violation[] {
  const violations: Violation[] = []
  const set = cut - pour
  if (pour < batch.earliest) violations.push({ rule: 'too_early', id, earliest: batch.earliest })
  if (batch.prepHours > 0 && pour < 1) violations.push({ rule: 'no_day_to_prepare', id })
  if (set < batch.setDays.min || set > batch.setDays.max)
    violations.push({ rule: 'set_days', id, set, min: batch.setDays.min, max: batch.setDays.max })
  return violations
}

function loadViolations(problem: SeasonProblem, load: SeasonLoad): Violation[] {
  const violations: Violation[] = []
  const kinds = Object.entries(problem.mouldKinds)
  for (let day = 0; day < problem.days; day++) {
    const asked = load.hours[day] ?? 0
    const there = problem.hours[day] ?? 0
    if (asked > there + hoursTolerance) violations.push({ rule: 'hours', day, asked, there })
    for (const [kind, count] of kinds) {
      const held = load.moulds[kind]?.[day] ?? 0
      if (held > count) violations.push({ rule: 'moulds', kind, day, asked: held, there: count })
    }
    const baked = load.oven[day] ?? 0
    if (baked > problem.ovenSlots) violations.push({ rule: 'oven', day, asked: baked, there: problem.ovenSlots })
    const held = load.trays[day] ?? 0
    if (held > problem.trays) violations.push({ rule: 'trays', day, asked: held, there: problem.trays })
  }
  return violations
}

/**
 * Holds a plan against every hard rule of the season and computes its cost. Work of a whole-season check grows with
 * batches and days only, so that it can follow a drag.
 *
 * Lateness breaks no rule: it is cost.
 */
export function checkPlan(problem: SeasonProblem, plan: SeasonPlan): PlanCheck {
  const byId = new Map(problem.batches.map((batch) => [batch.id, batch]))
  const violations: Violation[] = []
  const placed: { batch: SeasonBatch; pour: number; cut: number }[] = []
  const seen = new Set<string>()
  const isInside = (day: number): boolean => Number.isInteger(day) && day >= 0 && day < problem.days
  for (const placement of plan.pours) {
    const { id, pour, cut } = placement
    const batch = byId.get(id)
    if (!batch) {
      violations.push({ rule: 'unknown', id })
    } else if (seen.has(id)) {
      violations.push({ rule: 'twice', id })
    } else if (!isInside(pour) || !isInside(cut)) {
      violations.push({ rule: 'outside', id })
    } else {
      violations.push(...batchViolations(batch, placement))
      placed.push({ batch, pour, cut })
    }
    seen.add(id)
  }
  for (const { id } of problem.batches) if (!seen.has(id)) violations.push({ rule: 'missing', id })
  const load = seasonLoad(problem, placed)
  violations.push(...loadViolations(problem, load))
  const { cost, parts } = planCost(problem, plan.pours)
  return { isFeasible: violations.length === 0, violations, cost, parts, load }
}
