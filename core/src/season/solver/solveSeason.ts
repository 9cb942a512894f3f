import type { PlanCheck } from '../problem/checkPlan'
import { checkPlan } from '../problem/checkPlan'
import type { Placement, ProblemBatch, SeasonPlan, SeasonProblem } from '../problem/seasonProblem'
import { checkProblem } from '../problem/seasonProblem'
import type { Best } from './annealing'
import { anneal } from './annealing'
import type { DayOption } from './dayOptions'
import { dayOptions, emptySeason } from './dayOptions'
import { everyPlan, planCount } from './everyPlan'
import { randomFrom } from '../../random'
import { Workload } from './workload'

export interface SolverProgress {
  /** Share of the search that is done, 0 to 1. */
  readonly done: number
  /** The best plan so far and its cost, that of changes left out. */
  readonly plan: SeasonPlan
  readonly cost: number
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
  /** Batches for which there is no day at all, whatever else is planned; they stand in no plan. */
  readonly impossible: readonly string[]
  /** Whether the search was ended before its time. */
  readonly wasStopped: boolean
}

/** What moving a batch off the day it had costs while re-planning with the least change: more than a pour day saves. */
export const changeCost = { batch: 30, day: 0.5 } as const

/** With no more plans than this, each is looked at: a matter of milliseconds, and the best is certain. */
const fewPlans = 50_000
const windowBatches = 10
const wanderCost = 6
const roundsBetweenReturns = 40

/**
 * Plans a season. Few plans are all looked at; for more there is a long search over all batches, then many short ones over a handful of batches near each other in
 * time, which may wander a little from the best plan before they return to it. All work is counted in moves, never in
 * time, so that the same seed gives the same plan on any machine.
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
  const batches = possible.map(({ batch }) => batch)
  const load = new Workload(
    problem,
    batches,
    possible.map((one) => one.options),
    (batch, { pour, cut }) => {
      const before = currentOf.get(batch.id)
      if (!before || (before.pour === pour && before.cut === cut)) return 0
      return changeCost.batch + changeCost.day * Math.abs(before.pour - pour)
    },
  )
  const random = randomFrom(seed)
  const newBest = (): Best => ({ place: load.place.slice(), cost: load.cost, excess: load.excess })
  const best = newBest()
  const movable = Int32Array.from(possible.flatMap((one, index) => (one.options.length > 1 ? [index] : [])))
  const planOf = (place: Int32Array): SeasonPlan => ({
    pours: batches.map(({ id }, index) => ({ id, ...load.daysOf(place[index]!) })),
  })
  let wasStopped = false
  const report = (done: number): boolean => {
    if (!onProgress) return true
    const plan = planOf(best.place)
    const { cost, isFeasible } = checkPlan(problem, plan)
    wasStopped = onProgress({ done, plan, cost, isFeasible }) === false
    return !wasStopped
  }

  if (planCount(load, movable) <= fewPlans) everyPlan(load, movable, best)
  else {
    const { first, rounds, each } = budget(movable.length, effort)
    const schedule = { moves: first, hot: 10, cold: 0.1, startWeight: 0.3 }
    anneal(load, movable, { from: 0, to: problem.days }, schedule, random, best, newBest())
    const here = { place: best.place.slice(), cost: best.cost }
    for (let round = 0; round < rounds && report((first + round * each) / (first + rounds * each)); round++) {
      goTo(here.place)
      const { active, days } = nearbyBatches()
      const coldBest: Best = { place: here.place.slice(), cost: Infinity, excess: Infinity }
      const hot = [5, 10, 20][Math.floor(random() * 3)]!
      anneal(load, active, days, { moves: each, hot, cold: 0.05, startWeight: 1 }, random, best, coldBest)
      const mayWander = wanderCost * (1 - round / rounds)
      const isReturn = round % roundsBetweenReturns === roundsBetweenReturns - 1
      const next = isReturn ? best : coldBest
      if (isReturn || (coldBest.excess < 1e-6 && coldBest.cost <= here.cost + mayWander)) {
        here.place.set(next.place)
        here.cost = next.cost
      }
    }
    goTo(best.place)
    if (best.excess > 1e-6) {
      // Lateness stood in the way of mending: once more, hot enough to cross it, with broken rules weighing far more.
      const all = { from: 0, to: problem.days }
      anneal(
        load,
        movable,
        all,
        { moves: first, hot: 1000, cold: 0.1, startWeight: 20, endWeight: 5000 },
        random,
        best,
        newBest(),
      )
    }
  }
  const plan = planOf(best.place)
  if (!wasStopped) report(1)
  return { plan, check: checkPlan(problem, plan), impossible, wasStopped }

  function goTo(place: Int32Array): void {
    for (let index = 0; index < place.length; index++)
      if (load.place[index] !== place[index]) load.move(index, place[index]!)
  }

  /** A handful of batches poured about the same time, with the days among which they may move. */
  function nearbyBatches(): { readonly active: Int32Array; readonly days: { from: number; to: number } } {
    const centre = load.pourDay(movable[Math.floor(random() * movable.length)]!) + Math.floor(random() * 9) - 4
    const size = Math.min(movable.length, windowBatches + Math.floor(random() * windowBatches))
    const away = (batch: number): number => Math.abs(load.pourDay(batch) - centre)
    const active = Int32Array.from([...movable].sort((a, b) => away(a) - away(b)).slice(0, size))
    const pours = Array.from(active, (batch) => load.pourDay(batch))
    return {
      active,
      days: { from: Math.max(0, Math.min(...pours) - 6), to: Math.min(problem.days, Math.max(...pours) + 7) },
    }
  }
}

/** Moves of the first search, number of short ones and moves of each, by how many batches there are. */
function budget(batches: number, effort: number): { first: number; rounds: number; each: number } {
  const share = Math.min(1, 0.1 + batches / 12)
  return {
    first: Math.round(800_000 * share * effort),
    rounds: Math.max(1, Math.round((150 + Math.max(0, batches - 40)) * share * effort)),
    each: 15_000,
  }
}
