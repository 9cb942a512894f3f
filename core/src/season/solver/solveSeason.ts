import type { PlanCheck } from '../problem/checkPlan'
import { checkPlan } from '../problem/checkPlan'
import type { Placement, ProblemBatch, SeasonPlan, SeasonProblem } from '../problem/seasonProblem'
import { checkProblem } from '../problem/seasonProblem'
import type { DayOption } from './dayOptions'
import { dayOptions, emptySeason } from './dayOptions'
import { randomFrom } from '../../random'
import { searchDays } from './searchDays'

export interface SolverProgress {
  /** Share of the search that is done, 0 to 1. */
  readonly done: number
  /** The best plan so far and its cost, that of changes left out. */
  readonly plan: SeasonPlan
  readonly cost: number
  /** What is made small: the cost of the plan, and of what it changes. */
  readonly costWithChanges: number
  readonly isFeasible: boolean
}

export interface SolverOptions {
  /** The same seed gives the same plan. @default 1 */
  readonly seed?: number
  /** Batches that stay where the maker put them, whatever that breaks. */
  readonly pinned?: readonly Placement[]
  /** A plan from which as little as possible shall change. */
  readonly current?: readonly Placement[]
  /** How much of the usual search is done, above 0. @default 1 */
  readonly effort?: number
  /** Told now and then; returning false ends the search with the best plan so far. */
  readonly onProgress?: (progress: SolverProgress) => boolean | void
}

export interface SolvedSeason {
  readonly plan: SeasonPlan
  readonly check: PlanCheck
  /** What was made small: the cost of the plan, and of what it changes. */
  readonly costWithChanges: number
  /** Batches for which there is no day at all, whatever else is planned; they stand in no plan. */
  readonly impossible: readonly string[]
  /** Whether the search was ended before its time. */
  readonly wasStopped: boolean
}

/** What moving a batch off the day it had costs while re-planning with the least change: more than a pour day saves. */
export const changeCost = { batch: 30, day: 0.5 } as const

/** What it costs while re-planning with the least change that a batch stands otherwise than before. */
export const costOfChange = (before: DayOption | undefined, { pour, cut }: DayOption): number =>
  !before || (before.pour === pour && before.cut === cut)
    ? 0
    : changeCost.batch + changeCost.day * Math.abs(before.pour - pour)

/**
 * Plans a season. Few plans are all looked at. Else every batch is laid where it is cheapest, and the plan rebuilt again
 * and again, nothing ever broken; where that is not to be had, the plan is sought that breaks the least. All work is
 * counted in moves, never in time, so that the same seed gives the same plan on any machine.
 *
 * Measured against a formulation as a mixed-integer program: see docs/decisions.md.
 *
 * @throws {RangeError} if `checkProblem` refuses the problem, or a pinned day is outside the season
 */
export function solveSeason(problem: SeasonProblem, options: SolverOptions = {}): SolvedSeason {
  const { seed = 1, pinned = [], current = [], effort = 1, onProgress } = options
  const [refusal] = checkProblem(problem)
  if (refusal)
    throw new RangeError(`Expected a season that can be planned, got ${refusal.code} of ${refusal.field ?? 'it'}`)
  const pinOf = new Map(pinned.map((placement) => [placement.id, placement]))
  const currentOf = new Map(current.map((placement) => [placement.id, placement]))
  for (const { id, pour, cut } of pinned)
    if (!(pour >= 0 && cut > pour && cut < problem.days))
      throw new RangeError(`Expected pinned days within the season, got ${pour} to ${cut} for ${id}`)

  const empty = emptySeason(problem)
  const allowed = problem.batches.map((batch): { batch: ProblemBatch; options: readonly DayOption[] } => {
    const pin = pinOf.get(batch.id)
    return { batch, options: pin ? [{ pour: pin.pour, cut: pin.cut }] : dayOptions(problem, batch, empty) }
  })
  const impossible = allowed.filter((one) => one.options.length === 0).map(({ batch }) => batch.id)
  const possible = allowed.filter((one) => one.options.length > 0)
  const planOf = (days: readonly DayOption[]): SeasonPlan => ({
    pours: possible.map(({ batch: { id } }, index) => ({ id, ...days[index]! })),
  })
  const extraCost = ({ id }: ProblemBatch, option: DayOption): number => costOfChange(currentOf.get(id), option)
  const weighed = (days: readonly DayOption[]) => {
    const plan = planOf(days)
    const check = checkPlan(problem, plan)
    const ofChanges = possible.reduce((sum, { batch }, index) => sum + extraCost(batch, days[index]!), 0)
    return { plan, check, costWithChanges: check.cost + ofChanges }
  }
  let wasStopped = false
  const tell = (days: readonly DayOption[], done: number): boolean => {
    if (!onProgress) return true
    const { plan, check, costWithChanges } = weighed(days)
    const { cost, isFeasible } = check
    wasStopped = onProgress({ done, plan, cost, costWithChanges, isFeasible }) === false
    return !wasStopped
  }
  const days = searchDays({ problem, batches: possible, extraCost, random: randomFrom(seed), effort, tell })
  if (!wasStopped) tell(days, 1)
  return { ...weighed(days), impossible, wasStopped }
}
