import { costOf } from '../problem/planCost'
import type { LiftedBatches } from './liftedBatches'
import type { SoundPlan } from './soundPlan'
import { costDust } from './soundPlan'

/**
 * Lays a few lifted batches again by branch and bound: unlike one insertion after the other it goes back on itself, so
 * that a plan within the limit is found where there is one, up to so many looks.
 */
export class PutBack {
  /** First option on which each of the lifted fits beside those that lie; those that follow only leave less room. */
  private readonly from: Int32Array
  /** What those that come after one cost at the least. */
  private readonly restLeast: Float64Array
  private readonly bestOf: Int32Array
  private looks = 0
  private least = 0
  private isFound = false

  constructor(
    private readonly plan: SoundPlan,
    private readonly lifted: LiftedBatches,
  ) {
    const { length } = plan.place
    this.from = new Int32Array(length)
    this.restLeast = new Float64Array(length + 1)
    this.bestOf = new Int32Array(length)
  }

  /**
   * Lays the lifted where they cost the least together, though not all where they lay before.
   *
   * @param limit what the plan may cost afterwards
   * @param mostLooks so often it is looked at most whether a batch fits
   * @param isFirst whether the first plan within the limit will do
   * @returns whether all lie within the limit; otherwise none of them lies
   */
  lay(limit: number, mostLooks: number, isFirst: boolean): boolean {
    const { plan, lifted } = this
    const { firstOption, costOfOption } = plan.table
    const { count } = lifted
    this.looks = mostLooks
    this.isFound = false
    this.least = limit + costDust
    this.restLeast[count] = 0
    for (let index = count - 1; index >= 0; index--) {
      const batch = lifted.batches[index]!
      const end = firstOption[batch + 1]!
      let option = firstOption[batch]!
      while (option < end && !plan.fits(batch, option)) option += 1
      if (option === end) return false
      this.from[index] = option
      this.restLeast[index] = this.restLeast[index + 1]! + costOfOption[option]!
    }
    if (plan.cost + this.restLeast[0]! >= this.least) return false
    this.branch(0, false, isFirst)
    if (!this.isFound) return false
    for (let index = 0; index < count; index++) plan.lay(lifted.batches[index]!, this.bestOf[index]!)
    return true
  }

  /** @returns whether it is over */
  private branch(index: number, isOther: boolean, isFirst: boolean): boolean {
    const { plan, lifted } = this
    const { firstOption, costOfOption, pourOf } = plan.table
    const batch = lifted.batches[index]!
    const before = lifted.optionBefore(index)
    const isLast = index === lifted.count - 1
    const end = firstOption[batch + 1]!
    const rest = this.restLeast[index + 1]!
    for (let option = this.from[index]!; option < end; option++) {
      const least = plan.cost + costOfOption[option]! + rest
      if (least >= this.least - costDust) return false
      if (isLast && !isOther && option === before) continue
      const opens = plan.isClosed(pourOf[option]!) ? costOf.pourDay : 0
      if (least + opens >= this.least - costDust) continue
      if (--this.looks < 0) return true
      if (!plan.fits(batch, option)) continue
      plan.lay(batch, option)
      const isOver = isLast
        ? this.found(index) && isFirst
        : this.branch(index + 1, isOther || option !== before, isFirst)
      plan.lift(batch)
      if (isOver) return true
    }
    return false
  }

  /** Writes down where the lifted lie now: it is the least so far. */
  private found(last: number): true {
    this.least = this.plan.cost
    this.isFound = true
    for (let index = 0; index <= last; index++) this.bestOf[index] = this.plan.place[this.lifted.batches[index]!]!
    return true
  }
}
