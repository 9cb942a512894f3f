import type { TellShare } from './leastBroken'
import { nearInTime } from './nearInTime'
import type { MetPlan, RebuildingSchedule } from './rebuilding'
import { Rebuilding } from './rebuilding'
import type { SoundPlan } from './soundPlan'

/** Cold enough that a day on the rack (0.1) is hardly lost, and nothing dearer. */
const cold = 0.3
/** Where nothing is late, hardly more than a pour day is at stake. */
const mildest = 10
/** Moves between two looks at how far it is. */
const movesOfSlice = 4000
const movesOfWindow = 2000
const wanderCost = 2
const roundsBetweenReturns = 40

/**
 * Searches for the cheapest plan that breaks nothing, from a sound one: a first settling; where somebody is late after it
 * a long search, hot enough that the dearest lateness may move; then short ones about a handful of batches near each
 * other in time, which may wander a little before they return to the best. Changes `plan` and `best`.
 *
 * @param moves in all; the same number and the same random numbers give the same plan
 * @param tell told of the first plan at once, and then every few thousand moves
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
  let done = 0
  if (!tell(0)) return
  const settled = inSlices({ moves: Math.ceil(moves * 0.12), hot: mildest, cold, chains: 0.2 })
  if (!settled) return
  plan.become(best.place)
  const dearest = plan.dearestLate(movable)
  const isLate = dearest > 0
  const hottest = isLate ? Math.max(mildest, dearest / 6) : mildest
  const chains = isLate ? 0.5 : 0.2
  let here: MetPlan = { place: best.place.slice(), cost: best.cost }
  const found = inSlices({
    moves: Math.ceil(moves * (isLate ? 0.75 : 0.08)),
    hot: hottest,
    cold: isLate ? mildest / 2 : cold,
    chains,
  })
  if (!found) return
  if (found.cost < here.cost + wanderCost) here = found

  const rounds = Math.max(1, Math.floor((moves - done) / movesOfWindow))
  for (let round = 0; round < rounds; round++) {
    plan.become(here.place)
    const mild = isLate && random() < 0.5 ? Math.max(mildest, hottest / 8) : mildest
    const hot = 2 * Math.pow(mild / 2, random())
    const next = rebuilding.anneal(
      nearInTime(movable, (batch) => plan.pourDay(batch), random),
      { moves: movesOfWindow, hot, cold, chains },
      best,
    )
    const mayWander = wanderCost * (1 - round / rounds)
    if (round % roundsBetweenReturns === roundsBetweenReturns - 1) here = { place: best.place.slice(), cost: best.cost }
    else if (next.cost <= here.cost + mayWander) here = next
    done += movesOfWindow
    if (!tell(Math.min(1, done / moves))) return
  }
  plan.become(best.place)

  /** A stretch of the search over all batches. @returns the best of its cold end, undefined when it was ended before */
  function inSlices(schedule: RebuildingSchedule): MetPlan | undefined {
    const slices = Math.ceil(schedule.moves / movesOfSlice)
    const each = Math.ceil(schedule.moves / slices)
    const cooledTo = (slice: number): number => schedule.hot * Math.pow(schedule.cold / schedule.hot, slice / slices)
    let last: MetPlan | undefined
    for (let slice = 0; slice < slices; slice++) {
      const between = { ...schedule, moves: each, hot: cooledTo(slice), cold: cooledTo(slice + 1) }
      last = rebuilding.anneal(movable, between, best)
      done += each
      if (!tell(Math.min(1, done / moves))) return undefined
    }
    return last
  }
}
