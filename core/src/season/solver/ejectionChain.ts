import type { LiftedBatches } from './liftedBatches'
import type { SoundPlan } from './soundPlan'
import { nobody, noneNeeded } from './soundPlan'

/** A chain touches no more batches than this. */
const longestChain = 10
/** How often an ejected batch goes to any day it can afford, whoever is there, and not to the cheapest one free. */
const boldly = 0.4

/**
 * An ejection chain (Glover, Discrete Applied Mathematics 65, 1996): a batch takes days that it would like, whoever is
 * there has to leave and looks for days in turn. It crosses what single moves cannot: a full week gives way only when
 * a batch after the other steps aside.
 */
export class EjectionChain {
  private readonly queue: Int32Array
  /** Step in which each batch was laid last: it does not leave again in that step. */
  private readonly laidIn: Int32Array
  private step = 0
  private readonly mayGo = (batch: number): boolean => this.isFixed[batch] === 0 && this.laidIn[batch] !== this.step

  /**
   * @param isFixed 1 for each batch that must not move
   */
  constructor(
    private readonly plan: SoundPlan,
    private readonly lifted: LiftedBatches,
    private readonly isFixed: Uint8Array,
    private readonly miss: number,
    private readonly random: () => number,
  ) {
    this.queue = new Int32Array(plan.place.length)
    this.laidIn = new Int32Array(plan.place.length)
  }

  /**
   * Moves a batch and whoever has to leave for it.
   *
   * @param limit what the plan may cost afterwards
   * @returns whether all lie again within the limit; otherwise the step is to be taken back
   */
  move(first: number, limit: number): boolean {
    const { plan, lifted, queue, random } = this
    const { firstOption, costOfOption } = plan.table
    this.step += 1
    let waiting = 0
    let next = 0
    queue[waiting++] = first
    lifted.lift(first)
    // What those who wait will cost at the least.
    let owed = costOfOption[firstOption[first]!]!
    while (next < waiting) {
      const batch = queue[next++]!
      owed -= costOfOption[firstOption[batch]!]!
      const isFirst = next === 1
      const goesFree = !isFirst && (waiting - next > 2 || random() >= boldly)
      let option = goesFree ? plan.cheapest(batch, this.miss, random) : -1
      if (option < 0 || plan.cost + costOfOption[option]! + owed > limit) {
        option = this.affordable(batch, limit - plan.cost - owed)
        if (option < 0) return false
        for (;;) {
          const other = plan.inTheWay(batch, option, this.mayGo, random)
          if (other === noneNeeded) break
          if (other === nobody || waiting === queue.length || lifted.count >= longestChain) return false
          lifted.lift(other)
          queue[waiting++] = other
          owed += costOfOption[firstOption[other]!]!
        }
      }
      plan.lay(batch, option)
      this.laidIn[batch] = this.step
      if (plan.cost + owed > limit) return false
    }
    return true
  }

  /** An option by chance that costs no more than this, cheap ones more often; −1 when there is none. */
  private affordable(batch: number, most: number): number {
    const { firstOption, costOfOption } = this.plan.table
    const first = firstOption[batch]!
    let low = first
    let high = firstOption[batch + 1]!
    while (low < high) {
      const middle = (low + high) >> 1
      if (costOfOption[middle]! <= most) low = middle + 1
      else high = middle
    }
    if (low === first) return -1
    const share = this.random() < 0.5 ? this.random() : this.random() * this.random()
    return first + Math.floor(share * (low - first))
  }
}
