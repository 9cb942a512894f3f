import type { Best } from './annealing'
import { anneal } from './annealing'
import { nearInTime } from './nearInTime'
import type { Workload } from './workload'

const wanderCost = 6
const roundsBetweenReturns = 40

/** Told how much is done, 0 to 1; returning false ends the search. */
export type TellShare = (share: number) => boolean

/**
 * Searches for the plan that breaks the least, and among those for the cheapest: a long search over all batches, then many
 * short ones over a handful near each other in time, which may wander a little from the best plan before they return.
 * For seasons in which no plan without a broken rule was found. Changes `load` and `best`.
 */
export function leastBroken(
  load: Workload,
  movable: Int32Array,
  days: number,
  effort: number,
  random: () => number,
  best: Best,
  tell: TellShare,
): void {
  const share = Math.min(1, 0.1 + movable.length / 12)
  const first = Math.round(800_000 * share * effort)
  const rounds = Math.max(1, Math.round((150 + Math.max(0, movable.length - 40)) * share * effort))
  const each = 15_000
  const newBest = (): Best => ({ place: load.place.slice(), cost: load.cost, excess: load.excess })
  const all = { from: 0, to: days }
  anneal(load, movable, all, { moves: first, hot: 10, cold: 0.1, startWeight: 0.3 }, random, best, newBest())
  const here = { place: best.place.slice(), cost: best.cost }
  for (let round = 0; round < rounds && tell((first + round * each) / (first + rounds * each)); round++) {
    goTo(here.place)
    const { active, within } = nearbyBatches()
    const coldBest: Best = { place: here.place.slice(), cost: Infinity, excess: Infinity }
    const hot = [5, 10, 20][Math.floor(random() * 3)]!
    anneal(load, active, within, { moves: each, hot, cold: 0.05, startWeight: 1 }, random, best, coldBest)
    const mayWander = wanderCost * (1 - round / rounds)
    const isReturn = round % roundsBetweenReturns === roundsBetweenReturns - 1
    const next = isReturn ? best : coldBest
    if (isReturn || (coldBest.excess < 1e-6 && coldBest.cost <= here.cost + mayWander)) {
      here.place.set(next.place)
      here.cost = next.cost
    }
  }
  goTo(best.place)
  // Lateness may stand in the way of mending: once more, hot enough to cross it, with broken rules weighing far more.
  const crossing = { moves: first, hot: 1000, cold: 0.1, startWeight: 20, endWeight: 5000 }
  if (best.excess > 1e-6) anneal(load, movable, all, crossing, random, best, newBest())

  function goTo(place: Int32Array): void {
    for (let index = 0; index < place.length; index++)
      if (load.place[index] !== place[index]) load.move(index, place[index]!)
  }

  /** A handful of batches poured about the same time, with the days among which they may move. */
  function nearbyBatches(): { readonly active: Int32Array; readonly within: { from: number; to: number } } {
    const active = nearInTime(movable, (batch) => load.pourDay(batch), random)
    const pours = Array.from(active, (batch) => load.pourDay(batch))
    return {
      active,
      within: { from: Math.max(0, Math.min(...pours) - 6), to: Math.min(days, Math.max(...pours) + 7) },
    }
  }
}
