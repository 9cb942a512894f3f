import type { Workload } from './workload'

/** How hot a search runs. Temperatures are in units of cost. */
export interface AnnealingSchedule {
  readonly moves: number
  readonly hot: number
  readonly cold: number
  /** Weight of what a plan breaks, at the start and at the end: a plan may first break a little. */
  readonly startWeight: number
  /** @default 20 */
  readonly endWeight?: number
}

/** A plan met on the way: where each batch stood, and what that cost. */
export interface Best {
  readonly place: Int32Array
  cost: number
  excess: number
}

/**
 * What is no difference between two plans. Every overfull day may leave the tolerance of its hours behind; what a plan
 * really breaks more is a quarter of an hour, a mould or a tray.
 */
const dust = 9.5e-7

/** Whether what stands now is better than the best: breaking less comes before costing less. */
function isBetter(load: Workload, best: Best): boolean {
  if (load.excess < best.excess - dust) return true
  return load.excess <= best.excess + dust && load.cost < best.cost - dust
}

/** Writes a plan down as the best so far, if it is. @returns whether it was */
export function keepIfBetter(load: Workload, best: Best): boolean {
  if (!isBetter(load, best)) return false
  best.cost = load.cost
  best.excess = load.excess
  best.place.set(load.place)
  return true
}

/**
 * Simulated annealing (Kirkpatrick, Gelatt, Vecchi, Science 220, 1983) over the days of some batches, the others staying
 * where they are. A move takes one batch to another day, most often to one on which something is poured anyway; or
 * swaps two pour days; or moves all that is poured on one day together; or closes a pour day, spreading its batches.
 *
 * Changes `load`, `best` and `coldBest`; `coldBest` keeps the best of this run's cold end only.
 */
export function anneal(
  load: Workload,
  active: Int32Array,
  days: { readonly from: number; readonly to: number },
  schedule: AnnealingSchedule,
  random: () => number,
  best: Best,
  coldBest: Best,
): void {
  const { moves, hot, cold, startWeight, endWeight = 20 } = schedule
  const { place } = load
  const count = active.length
  const movers = new Int32Array(count)
  const targets = new Int32Array(count)
  const before = new Int32Array(count)
  const cooling = Math.pow(cold / hot, 1 / moves)
  const hardening = Math.pow(endWeight / startWeight, 1 / (moves * 0.8))
  let temperature = hot
  let weight = startWeight

  for (let move = 0; move < moves; move++) {
    temperature *= cooling
    if (weight < endWeight) weight *= hardening
    const batch = active[Math.floor(random() * count)]!
    const kind = random()
    let moving: number
    if (kind < 0.25) {
      const day = load.pourDay(batch)
      if (kind < 0.15) {
        const near = random() < 0.7
        const side = random() < 0.5 ? -1 : 1
        const step = random()
        const to = near ? day + side * (1 + Math.floor(step * 9)) : days.from + Math.floor(step * (days.to - days.from))
        if (to < days.from || to >= days.to || to === day) continue
        moving = gatherDay(day, to)
      } else {
        moving = spreadDay(day)
        if (moving === 1) continue
      }
      if (moving <= 0) continue
      let least = -load.excess
      let saved = 0
      for (let index = 0; index < moving; index++) {
        least += load.leastExcess(movers[index]!, targets[index]!)
        saved += load.mostSaved(movers[index]!, targets[index]!)
      }
      if (weight * least - saved > 25 * temperature) continue
    } else if (kind < 0.85) {
      const target = targetOf(batch)
      if (target < 0 || target === place[batch]) continue
      // A look at the hours alone tells most hopeless moves.
      const least = weight * (load.leastExcess(batch, target) - load.excess) - load.mostSaved(batch, target)
      if (least > 25 * temperature) continue
      const after = weight * (load.leastAfter(batch, target) - load.excess) - load.mostSaved(batch, target)
      if (after > 25 * temperature) {
        // Refused as if it had been tried, so that the search goes the same way as without this look.
        random()
        continue
      }
      movers[0] = batch
      targets[0] = target
      moving = 1
    } else {
      const other = active[Math.floor(random() * count)]!
      const day = load.pourDay(batch)
      const otherDay = load.pourDay(other)
      if (day === otherDay) continue
      const target = load.optionOn(batch, otherDay, random)
      const otherTarget = load.optionOn(other, day, random)
      if (target < 0 || otherTarget < 0) continue
      movers[0] = batch
      targets[0] = target
      movers[1] = other
      targets[1] = otherTarget
      moving = 2
    }

    const costBefore = load.cost
    const excessBefore = load.excess
    for (let index = 0; index < moving; index++) {
      before[index] = place[movers[index]!]!
      load.move(movers[index]!, targets[index]!)
    }
    const rise = load.cost - costBefore + weight * (load.excess - excessBefore)
    if (rise > 0 && random() >= Math.exp(-rise / temperature)) {
      for (let index = 0; index < moving; index++) load.move(movers[index]!, before[index]!)
    } else {
      keepIfBetter(load, best)
      if (temperature < 1) keepIfBetter(load, coldBest)
    }
  }

  function targetOf(batch: number): number {
    const how = random()
    if (how < 0.1) return load.optionOn(batch, days.from + Math.floor(random() * (days.to - days.from)), random)
    if (how >= 0.45) return load.optionOn(batch, load.pourDay(active[Math.floor(random() * count)]!), random)
    const target = place[batch]! + Math.floor((random() - 0.5) * 20)
    return target < load.firstOption[batch]! || target >= load.firstOption[batch + 1]! ? -1 : target
  }

  /** All that is poured on one day, to another. @returns how many move, −1 when one cannot */
  function gatherDay(day: number, to: number): number {
    let moving = 0
    for (let index = 0; index < count; index++) {
      const batch = active[index]!
      if (load.pourDay(batch) !== day) continue
      const target = load.optionOn(batch, to, random)
      if (target < 0) return -1
      movers[moving] = batch
      targets[moving++] = target
    }
    return moving
  }

  /** Each batch of a day to a day on which something else is poured. @returns how many move, −1 when one cannot */
  function spreadDay(day: number): number {
    let moving = 0
    for (let index = 0; index < count; index++) {
      const batch = active[index]!
      if (load.pourDay(batch) !== day) continue
      let target = -1
      for (let tries = 0; tries < 6 && target < 0; tries++) {
        const open = load.pourDay(active[Math.floor(random() * count)]!)
        if (open !== day) target = load.optionOn(batch, open, random)
      }
      if (target < 0) return -1
      movers[moving] = batch
      targets[moving++] = target
    }
    return moving
  }
}
