import type { Placement, SeasonProblem } from '@vendange/core/season'
import { checkPlan, costOfChange, dayOptions, solveSeason } from '@vendange/core/season'
import { LiftedBatches } from '../core/src/season/solver/liftedBatches'
import { PutBack } from '../core/src/season/solver/putBack'
import { cheapestFirst } from '../core/src/season/solver/searchDays'
import { SoundPlan } from '../core/src/season/solver/soundPlan'
import { drawSeason } from './seasons/drawSeason'

/** Seasons that nothing was tuned on, drawn for this alone. */
const seasons = Array.from({ length: 20 }, (_, at) => ({
  batches: 16 + 2 * at,
  seed: 9001 + 7 * at,
  tightness: 0.5 + 0.05 * (at % 10),
}))
/** Of the batches that need not leave so many are let go besides, each so many of them. */
const mostBesides = 2
const manyLooks = 200_000

/** Cost of a plan with that of its changes, and how many batches it moves. */
function changeOf(problem: SeasonProblem, before: readonly Placement[], pours: readonly Placement[]) {
  const was = new Map(before.map((placement) => [placement.id, placement]))
  const moved = pours.filter(({ id, pour, cut }) => was.get(id)?.pour !== pour || was.get(id)?.cut !== cut)
  const extra = moved.reduce((sum, placement) => sum + costOfChange(was.get(placement.id), placement), 0)
  return { moved: moved.length, cost: checkPlan(problem, { pours }).cost + extra }
}

/**
 * The cheapest plan, with the cost of its changes, among all that move the batches of a lost day and up to
 * {@link mostBesides} others: a small program, gone through whole.
 */
function exactChange(problem: SeasonProblem, before: readonly Placement[], lost: number) {
  const was = new Map(before.map((placement) => [placement.id, placement]))
  const own = (id: string): Placement => was.get(id)!
  const batches = problem.batches.map((batch) => {
    const options = dayOptions(problem, batch)
    const { pour, cut } = own(batch.id)
    const isThere = options.some((option) => option.pour === pour && option.cut === cut)
    return { batch, options: isThere ? options : [...options, { pour, cut }] }
  })
  const table = cheapestFirst({ problem, batches, extraCost: ({ id }, option) => costOfChange(own(id), option) })
  const plan = new SoundPlan(problem, table)
  problem.batches.forEach(({ id }, batch) => plan.lay(batch, table.optionOn(batch, own(id))))
  const mustGo = [...problem.batches.keys()].filter((batch) => {
    const { pour, cut } = own(problem.batches[batch]!.id)
    return pour === lost || cut === lost
  })
  const mayGo = [...problem.batches.keys()].filter((batch) => !mustGo.includes(batch))
  const lifted = new LiftedBatches(plan)
  const putBack = new PutBack(plan, lifted)
  let best = { moved: Infinity, cost: Infinity }
  const look = (besides: readonly number[]): void => {
    lifted.begin()
    for (const batch of [...mustGo, ...besides]) lifted.lift(batch)
    if (putBack.lay(best.cost, manyLooks, false)) {
      const pours = problem.batches.map(({ id }, batch) => ({ id, ...table.daysOf(plan.place[batch]!) }))
      const found = changeOf(problem, before, pours)
      if (checkPlan(problem, { pours }).isFeasible && found.cost < best.cost) best = found
    }
    lifted.undo()
  }
  const goThrough = (besides: readonly number[], from: number): void => {
    look(besides)
    if (besides.length === mostBesides) return
    for (let at = from; at < mayGo.length; at++) goThrough([...besides, mayGo[at]!], at + 1)
  }
  goThrough([], 0)
  return best
}

/** A day is lost in the middle of each season: what is moved against the least that has to be. */
export function benchLeastChange(): void {
  let [asFew, asCheap, counted] = [0, 0, 0]
  const told: string[] = []
  for (const seed of seasons) {
    const season = drawSeason(seed)
    const { plan, check } = solveSeason(season)
    const days = [...new Set(plan.pours.map(({ pour }) => pour))].sort((a, b) => a - b)
    const lost = days[Math.floor(days.length / 2)]
    if (!check.isFeasible || lost === undefined) continue
    const problem = { ...season, hours: season.hours.map((hours, day) => (day === lost ? 0 : hours)) }
    const replanned = solveSeason(problem, { current: plan.pours })
    if (!replanned.check.isFeasible) continue
    counted += 1
    const ours = changeOf(problem, plan.pours, replanned.plan.pours)
    const exact = exactChange(problem, plan.pours, lost)
    asFew += ours.moved <= exact.moved ? 1 : 0
    asCheap += ours.cost <= exact.cost + 1e-6 ? 1 : 0
    told.push(`${ours.moved}/${exact.moved}`)
  }
  console.log(
    `A day is lost in ${counted} seasons not seen before (${seasons[0]?.batches} to ${seasons.at(-1)?.batches} batches): as few batches moved as in the exact least change in ${asFew}, as cheap with its changes in ${asCheap}`,
  )
  console.log(`  moved, and moved at the least: ${told.join(', ')}`)
}
