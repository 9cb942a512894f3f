import { costByDays } from '../problem/planCost'
import type { ProblemBatch, SeasonProblem } from '../problem/seasonProblem'
import type { Best } from './annealing'
import { bestSound } from './bestSound'
import type { DayOption } from './dayOptions'
import { everyPlan, planCount } from './everyPlan'
import { layAll } from './firstPlan'
import { leastBroken } from './leastBroken'
import { OptionTable } from './optionTable'
import type { MetPlan } from './rebuilding'
import { SoundPlan } from './soundPlan'
import { Workload } from './workload'

/** What is to be searched. */
export interface DaySearch {
  readonly problem: SeasonProblem
  /** The batches with the days that each may take, at least one, by pour day, then cut day. */
  readonly batches: readonly { readonly batch: ProblemBatch; readonly options: readonly DayOption[] }[]
  /** What an option costs besides the plan's own cost. */
  readonly extraCost: (batch: ProblemBatch, option: DayOption) => number
  readonly random: () => number
  /** How much of the usual search is done, above 0. */
  readonly effort: number
  /** Told of the best so far, and how much is done, 0 to 1; returning false ends the search. */
  readonly tell: (days: readonly DayOption[], done: number) => boolean
}

/** With no more plans than this, each is looked at: a matter of milliseconds, and the best is certain. */
const fewPlans = 50_000
/** Moves of the usual search for so many batches and more; fewer batches may take up to so many times as many in the same time. */
const usualMoves = 180_000
const usualBatches = 30
const mostTimesUsual = 1.5
/** What rounding leaves of a penalty. */
const dust = 1e-6

/** The best days found for some batches, in their order: those that break the least, and of them the cheapest. */
export function searchDays(search: DaySearch): readonly DayOption[] {
  const { problem, batches, random } = search
  const movable = Int32Array.from(batches.flatMap(({ options }, index) => (options.length > 1 ? [index] : [])))
  const plan = new SoundPlan(problem, cheapestFirst(search))
  const isFew = planCount(plan.table, movable) <= fewPlans
  if (!isFew) {
    batches.forEach(({ options }, index) => {
      if (options.length === 1) plan.lay(index, plan.table.firstOption[index]!)
    })
    if (layAll(plan, movable, random)) return soundDays(search, plan, movable)
  }

  const byDay = batches.map(({ options }) => options)
  const load = new Workload(problem, new OptionTable(problem, plan.table.batches, byDay, costOfDays(search)))
  const least: Best = { place: load.place.slice(), cost: load.cost, excess: load.excess }
  const leastDays = (): readonly DayOption[] => Array.from(least.place, (option) => load.daysOf(option))
  if (isFew) {
    everyPlan(load, movable, least)
    return leastDays()
  }
  let isStopped = false
  leastBroken(load, movable, problem.days, search.effort, random, least, (done) => {
    isStopped = !search.tell(leastDays(), done)
    return !isStopped
  })
  const days = leastDays()
  if (isStopped || least.excess > dust) return days
  movable.forEach((index) => {
    plan.lay(index, plan.table.optionOn(index, days[index]!))
  })
  return soundDays(search, plan, movable)
}

type Costs = Pick<DaySearch, 'problem' | 'extraCost'>

/** What a batch costs on its days, the pour day left out. */
function costOfDays({ problem, extraCost }: Costs): (batch: ProblemBatch, option: DayOption) => number {
  const byDays = costByDays(problem)
  return (batch, option) => byDays(batch, option) + extraCost(batch, option)
}

/** The table of the batches, the options of each from the cheapest to the dearest. */
export function cheapestFirst(search: Costs & Pick<DaySearch, 'batches'>): OptionTable {
  const { problem, batches } = search
  const costOf = costOfDays(search)
  return new OptionTable(
    problem,
    batches.map(({ batch }) => batch),
    batches.map(({ batch, options }) => options.toSorted((a, b) => costOf(batch, a) - costOf(batch, b))),
    costOf,
  )
}

function soundDays(search: DaySearch, plan: SoundPlan, movable: Int32Array): readonly DayOption[] {
  const best: MetPlan = { place: plan.place.slice(), cost: plan.cost }
  const days = (): readonly DayOption[] => Array.from(best.place, (option) => plan.table.daysOf(option))
  const times = Math.min(mostTimesUsual, Math.max(1, usualBatches / movable.length))
  const moves = Math.round(usualMoves * times * search.effort)
  bestSound(plan, movable, moves, search.random, best, (done) => search.tell(days(), done))
  return days()
}
