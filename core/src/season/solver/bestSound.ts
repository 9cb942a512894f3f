import type { TellShare } from './leastBroken'
import type { MetPlan } from './rebuilding'
import { Rebuilding } from './rebuilding'
import type { SoundPlan } from './soundPlan'

/** Cold enough that a day on the rack (0.1) is hardly lost, and nothing dearer. */
const cold = 0.3
/** Where nothing is late, hardly more than a pour day is at stake. */
const mildest = 10
const windowBatches = 10
const movesOfWindow = 2000
const wanderCost = 2
const roundsBetweenReturns = 40

/**
 * Searches for the cheapest plan that breaks nothing, from a sound one: a first settling; where somebody is late after it
 * a long search, hot enough that the dearest lateness may move; then short ones about a handful of batches near each other in time, which
 * may wander a little before they return to the best. Changes `plan` and `best`.
 *
 * @param moves in all; the same number and the same random numbers give the same plan
 */
export function bestSound(
  plan: SoundPlan,
  movable: Int32Array,
  moves: number,
  random: () => number,
  best: MetPlan,
  tell: TellShare,
): void {
  const rebuilding = new Rebuilding(plan, movable, random)
  const settling = Math.ceil(moves * 0.12)
  rebuilding.anneal(movable, { moves: settling, hot: mildest, cold, chains: 0.2 }, best)
  let done = settling
  plan.become(best.place)
  const dearest = plan.dearestLate(movable)
  const isLate = dearest > 0
  const hottest = isLate ? Math.max(mildest, dearest / 6) : mildest
  const chains = isLate ? 0.7 : 0.2
  const long = isLate ? Math.ceil(moves * 0.75) : Math.ceil(moves * 0.08)
  let here: MetPlan = { place: best.place.slice(), cost: best.cost }
  if (!tell(done / moves)) return
  const found = rebuilding.anneal(
    movable,
    { moves: long, hot: hottest, cold: isLate ? mildest / 2 : cold, chains },
    best,
  )
  if (found.cost < here.cost + wanderCost) here = found
  done += long

  const rounds = Math.max(1, Math.floor((moves - done) / movesOfWindow))
  for (let round = 0; round < rounds && tell((done + round * movesOfWindow) / moves); round++) {
    plan.become(here.place)
    const mild = isLate && random() < 0.5 ? Math.max(mildest, hottest / 8) : mildest
    const hot = 2 * Math.pow(mild / 2, random())
    const next = rebuilding.anneal(nearby(plan, movable, random), { moves: movesOfWindow, hot, cold, chains }, best)
    const mayWander = wanderCost * (1 - round / rounds)
    if (round % roundsBetweenReturns === roundsBetweenReturns - 1) here = { place: best.place.slice(), cost: best.cost }
    else if (next.cost <= here.cost + mayWander) here = next
  }
  plan.become(best.place)
}

/** A handful of batches poured about the same time. */
function nearby(plan: SoundPlan, movable: Int32Array, random: () => number): Int32Array {
  const centre = plan.pourDay(movable[Math.floor(random() * movable.length)]!) + Math.floor(random() * 9) - 4
  const size = windowBatches + Math.floor(random() * windowBatches)
  const away = (batch: number): number => Math.abs(plan.pourDay(batch) - centre)
  return movable.toSorted((a, b) => away(a) - away(b)).slice(0, size)
}
