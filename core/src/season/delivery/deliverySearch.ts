import type { AskedSeason } from './askedSeason'
import type { Delivery } from './delivery'

/**
 * A search in depth for days on which some wished batches can be handed over by a due day, beside others that stand. Every
 * way out of a try leaves the plan as it was found.
 */
export class DeliverySearch {
  /** Due days on which a look with moves was cut short. */
  readonly cutShort = new Set<number>()
  /** Whether a look without moves was cut short. */
  isCutShort = false
  /** 1 for each batch that has left its days during a try. */
  private readonly hasLeft: Uint8Array
  private stepsLeft = 0

  constructor(private readonly asked: AskedSeason) {
    this.hasLeft = new Uint8Array(asked.mayMove.length)
  }

  /** A way to have all ready on a due day, every other one left where it stands. @param most steps at most */
  asPlannedBy(due: number, most: number): Delivery | undefined {
    this.asked.keepTraysUntil(due)
    this.stepsLeft = most
    return this.placeNext(0, due) ? this.taken(due) : undefined
  }

  private placeNext(index: number, due: number): boolean {
    const { wished, plan, table } = this.asked
    const batch = wished[index]
    if (batch === undefined) return true
    const before = wished[index - 1]
    const first = table.firstOption[batch]!
    let last = this.asked.endBy(batch, due) - 1
    // Those alike are placed in order, so that no arrangement is tried twice.
    if (before !== undefined && this.asked.isAlike(before, batch))
      last = Math.min(last, first + plan.place[before]! - table.firstOption[before]!)
    // The latest days first: what is made late stands shortest on the rack.
    for (let option = last; option >= first; option--) {
      if (this.stepsLeft-- <= 0) {
        this.isCutShort = true
        return false
      }
      if (!plan.fits(batch, option)) continue
      plan.lay(batch, option)
      if (this.placeNext(index + 1, due)) return true
      plan.lift(batch)
    }
    return false
  }

  /** A way to hand over on a due day with up to `mostMoved` others moved, fewest first, so many steps for each number. */
  withMovesBy(due: number, mostMoved: number, most: number): Delivery | undefined {
    this.asked.keepTraysUntil(due)
    this.cutShort.delete(due)
    for (let mayMove = 1; mayMove <= mostMoved; mayMove++) {
      this.stepsLeft = most
      if (this.settle(this.asked.wished, due, mayMove)) return this.taken(due)
      if (this.stepsLeft > 0) continue
      this.cutShort.add(due)
      return undefined
    }
    return undefined
  }

  /** What was found, and every batch back where it stood before. */
  private taken(due: number): Delivery {
    const found = this.asked.deliveryBy(due)
    this.asked.standAsAsked()
    this.hasLeft.fill(0)
    return found
  }

  /**
   * Places the batches of a queue one after the other; where one does not fit, another in its way may leave, at most
   * `mayMove` in all, and joins the queue.
   */
  private settle(queue: readonly number[], due: number, mayMove: number): boolean {
    const [batch, ...rest] = queue
    if (batch === undefined) return true
    const { plan } = this.asked
    const [from, end] = this.optionsToTry(batch, due)
    for (let option = from; option < end; option++) {
      if (this.stepsLeft-- <= 0) return false
      if (!plan.fits(batch, option)) continue
      plan.lay(batch, option)
      if (this.settle(rest, due, mayMove)) return true
      plan.lift(batch)
    }
    if (mayMove === 0) return false
    for (let option = from; option < end; option++) {
      if (this.settleOn(batch, option, rest, due, mayMove)) return true
      if (this.stepsLeft <= 0) return false
    }
    return false
  }

  /** Places a batch on days on which others have to leave for it: one of those that use what it lacks first, then more. */
  private settleOn(batch: number, option: number, rest: readonly number[], due: number, mayMove: number): boolean {
    const { plan, mayMove: isMovable } = this.asked
    if (this.stepsLeft-- <= 0) return false
    const inTheWay: number[] = []
    plan.eachInTheWay(batch, option, (other) => {
      if (isMovable[other] === 1 && this.hasLeft[other] === 0) inTheWay.push(other)
    })
    for (const other of inTheWay) {
      const home = plan.lift(other)
      this.hasLeft[other] = 1
      if (this.settleBeside(batch, option, other, rest, due, mayMove - 1)) return true
      this.hasLeft[other] = 0
      plan.lay(other, home)
      if (this.stepsLeft <= 0) return false
    }
    return false
  }

  /** Once another has left: either there is room now, and it looks for days of its own; or one more has to leave. */
  private settleBeside(
    batch: number,
    option: number,
    other: number,
    rest: readonly number[],
    due: number,
    mayMove: number,
  ): boolean {
    const { plan } = this.asked
    if (!plan.fits(batch, option)) return mayMove > 0 && this.settleOn(batch, option, [...rest, other], due, mayMove)
    plan.lay(batch, option)
    if (this.settle([other, ...rest], due, mayMove)) return true
    plan.lift(batch)
    return false
  }

  /** First and end of the options of a batch that are worth a try: one that has left does not come back. */
  private optionsToTry(batch: number, due: number): readonly [number, number] {
    const { table, wished } = this.asked
    const first = table.firstOption[batch]!
    if (!wished.includes(batch)) return [first + 1, table.firstOption[batch + 1]!]
    // Days that would do for an earlier due day have been tried for it.
    return [wished.length === 1 ? this.asked.endBy(batch, due - 1) : first, this.asked.endBy(batch, due)]
  }
}
