import { Occupancy } from '../occupancy'
import { slackOf, traysUntil } from '../problem/planCost'
import { prepDayOf } from '../problem/prepDay'
import type { Placement, ProblemBatch, SeasonProblem } from '../problem/seasonProblem'
import { mouldCountOf } from '../problem/seasonProblem'
import type { DayOption } from '../solver/dayOptions'
import { dayOptions, emptySeason } from '../solver/dayOptions'
import type { Delivery } from './delivery'

/** Days on which there is too little of something for a batch. */
interface Lack {
  readonly hours: number[]
  readonly oven: number[]
  readonly moulds: { readonly kind: string; readonly day: number }[]
  readonly trays: number[]
}

/** Batches alike in everything but their name: placed in order, so that no arrangement is tried twice. */
function isAlike(a: ProblemBatch, b: ProblemBatch): boolean {
  return JSON.stringify({ ...a, id: '', due: 0 }) === JSON.stringify({ ...b, id: '', due: 0 })
}

const lateOf = (batch: ProblemBatch, cut: number): number => Math.max(0, -slackOf(batch, cut))

/**
 * A search for days on which some wished batches can be handed over by a due day, beside others that stand. Every way out
 * of a try leaves the occupancy as it was found.
 */
export class DeliverySearch {
  /** First day on which all of the wished could be ready, were they alone; Infinity when there is none. */
  readonly earliest: number
  /** Last day that is looked at. */
  readonly latest: number
  /** Due days on which a look with moves was cut short. */
  readonly cutShort = new Set<number>()
  /** Whether a look without moves was cut short. */
  isCutShort = false
  private readonly occupancy: Occupancy
  private readonly empty: Occupancy
  private readonly byId: ReadonlyMap<string, ProblemBatch>
  private readonly wished: readonly ProblemBatch[]
  /** The wished, the hardest to place first. */
  private readonly ordered: readonly ProblemBatch[]
  private readonly wishedIds: ReadonlySet<string>
  private readonly fixed: ReadonlySet<string>
  private readonly standing: ReadonlyMap<string, Placement>
  /** Where batches stand during a try. */
  private readonly placed: Map<string, Placement>
  /** Those of the others that have left their days during a try. */
  private readonly moved = new Set<string>()
  private readonly optionsOf: ReadonlyMap<string, readonly DayOption[]>
  private readonly otherDaysOf = new Map<string, readonly DayOption[]>()
  private stepsLeft = 0

  /**
   * @param others where the batches stand that are not wished
   * @param wished ids of the problem's batches that have no day yet; their own `due` is not looked at
   * @param pinned batches that must not move
   */
  constructor(
    private readonly problem: SeasonProblem,
    others: readonly Placement[],
    wished: readonly string[],
    pinned: readonly Placement[],
  ) {
    this.byId = new Map(problem.batches.map((batch) => [batch.id, batch]))
    this.wished = wished.flatMap((id) => this.byId.get(id) ?? [])
    this.wishedIds = new Set(wished)
    this.fixed = new Set([...pinned.map(({ id }) => id), ...wished])
    this.ordered = [...this.wished].sort(
      (a, b) => b.cureDays - a.cureDays || mouldCountOf(b) - mouldCountOf(a) || a.id.localeCompare(b.id),
    )
    this.occupancy = new Occupancy(problem)
    this.standing = new Map(others.map((placement) => [placement.id, placement]))
    this.placed = new Map(this.standing)
    for (const { id, pour, cut } of others) this.occupancy.take({ batch: this.batch(id), pour, cut })
    this.empty = emptySeason(problem)
    this.optionsOf = new Map(this.wished.map((batch) => [batch.id, dayOptions(problem, batch, this.empty)]))
    const firstReady = this.wished.map((batch) =>
      Math.min(Infinity, ...this.options(batch).map(({ cut }) => cut + batch.cureDays)),
    )
    this.earliest = this.wished.length === 0 ? Infinity : Math.max(0, ...firstReady)
    this.latest = problem.days + Math.max(0, ...this.wished.map(({ cureDays }) => cureDays))
  }

  /** Days of the wished batches by which all are ready on a due day, every other one left where it stands. */
  asPlannedBy(due: number, most: number): readonly Placement[] | undefined {
    this.stepsLeft = most
    const chosen: Placement[] = []
    return this.placeNext(0, due, chosen) ? chosen : undefined
  }

  private placeNext(index: number, due: number, chosen: Placement[]): boolean {
    const batch = this.ordered[index]
    if (!batch) return true
    const before = this.ordered[index - 1]
    const last = before && isAlike(before, batch) ? chosen[index - 1] : undefined
    const options = this.options(batch)
    // The latest days first: what is made late stands shortest on the rack.
    for (let at = options.length - 1; at >= 0; at--) {
      const { pour, cut } = options[at]!
      if (cut + batch.cureDays > due) continue
      if (last && (pour > last.pour || (pour === last.pour && cut > last.cut))) continue
      if (this.stepsLeft-- <= 0) {
        this.isCutShort = true
        return false
      }
      const placed = { batch, pour, cut }
      if (!this.occupancy.fits(placed, due)) continue
      this.occupancy.take(placed, due)
      chosen.push({ id: batch.id, pour, cut })
      const isDone = this.placeNext(index + 1, due, chosen)
      this.occupancy.giveBack(placed, due)
      if (isDone) return true
      chosen.pop()
    }
    return false
  }

  /** A way to hand over on a due day with up to `mostMoved` others moved, fewest first, so many steps for each number. */
  withMovesBy(due: number, mostMoved: number, most: number): Delivery | undefined {
    this.cutShort.delete(due)
    for (let mayMove = 1; mayMove <= mostMoved; mayMove++) {
      this.stepsLeft = most
      if (this.settle(this.ordered, due, mayMove)) {
        const found = { due, pours: this.wished.map(({ id }) => this.at(id)), moved: [...this.moved].map(this.at) }
        this.putBack(due)
        return found
      }
      if (this.stepsLeft <= 0) this.cutShort.add(due)
    }
    return undefined
  }

  /**
   * Places the batches of a queue one after the other; where one does not fit, another in its way may leave, at most
   * `mayMove` in all, and joins the queue.
   */
  private settle(queue: readonly ProblemBatch[], due: number, mayMove: number): boolean {
    const [batch, ...rest] = queue
    if (!batch) return true
    const until = this.wishedIds.has(batch.id) ? due : batch.due
    const days = this.daysToTry(batch, due)
    for (const option of days) {
      if (this.stepsLeft-- <= 0) return false
      if (!this.occupancy.fits({ batch, ...option }, until)) continue
      if (this.whileOn(batch, option, until, () => this.settle(rest, due, mayMove))) return true
    }
    if (mayMove === 0) return false
    for (const option of days) {
      if (this.stepsLeft-- <= 0) return false
      for (const other of this.inTheWay(batch, option, until)) {
        if (this.leaving(other, () => this.settleBeside(queue, this.batch(other.id), option, due, mayMove))) return true
        if (this.stepsLeft <= 0) return false
      }
    }
    return false
  }

  /** Once another has left its days: either there is room now, and it looks for days of its own; or one more has to leave. */
  private settleBeside(
    [batch, ...rest]: readonly ProblemBatch[],
    other: ProblemBatch,
    option: DayOption,
    due: number,
    mayMove: number,
  ): boolean {
    if (!batch) return true
    const until = this.wishedIds.has(batch.id) ? due : batch.due
    if (!this.occupancy.fits({ batch, ...option }, until))
      return mayMove > 1 && this.settle([batch, ...rest, other], due, mayMove - 1)
    return this.whileOn(batch, option, until, () => this.settle([other, ...rest], due, mayMove - 1))
  }

  /** Tries something with a batch on its days, and takes it off again where that leads nowhere. */
  private whileOn(batch: ProblemBatch, option: DayOption, until: number, work: () => boolean): boolean {
    this.occupancy.take({ batch, ...option }, until)
    this.placed.set(batch.id, { id: batch.id, ...option })
    if (work()) return true
    this.occupancy.giveBack({ batch, ...option }, until)
    this.placed.delete(batch.id)
    return false
  }

  /** Tries something without another on its days, and puts it back where that leads nowhere. */
  private leaving(other: Placement, work: () => boolean): boolean {
    const placed = { batch: this.batch(other.id), pour: other.pour, cut: other.cut }
    this.occupancy.giveBack(placed)
    this.placed.delete(other.id)
    this.moved.add(other.id)
    if (work()) return true
    this.moved.delete(other.id)
    this.placed.set(other.id, other)
    this.occupancy.take(placed)
    return false
  }

  /** Every batch where it stood before a way was found. */
  private putBack(due: number): void {
    for (const [id, { pour, cut }] of this.placed) {
      const isWished = this.wishedIds.has(id)
      if (!isWished && !this.moved.has(id)) continue
      const batch = this.batch(id)
      this.occupancy.giveBack({ batch, pour, cut }, isWished ? due : batch.due)
    }
    for (const id of this.wishedIds) this.placed.delete(id)
    for (const id of this.moved) {
      const was = this.standing.get(id)!
      this.occupancy.take({ batch: this.batch(id), pour: was.pour, cut: was.cut })
      this.placed.set(id, was)
    }
    this.moved.clear()
  }

  private daysToTry(batch: ProblemBatch, due: number): readonly DayOption[] {
    if (!this.wishedIds.has(batch.id)) return this.otherDays(batch)
    return this.options(batch).filter(({ cut }) =>
      // Days that would do for an earlier due day have been tried for it.
      this.wished.length === 1 ? cut + batch.cureDays === due : cut + batch.cureDays <= due,
    )
  }

  /** Days that a batch may be moved to: it is late no more than it was, and the nearest day comes first. */
  private otherDays(batch: ProblemBatch): readonly DayOption[] {
    const known = this.otherDaysOf.get(batch.id)
    if (known) return known
    const was = this.standing.get(batch.id)!
    const days = dayOptions(this.problem, batch, this.empty)
      .filter(({ cut }) => lateOf(batch, cut) <= lateOf(batch, was.cut))
      .sort((a, b) => Math.abs(a.pour - was.pour) - Math.abs(b.pour - was.pour) || a.cut - b.cut)
    this.otherDaysOf.set(batch.id, days)
    return days
  }

  /** Batches that may move and use something that a batch lacks on its days. */
  private inTheWay(batch: ProblemBatch, option: DayOption, until: number): readonly Placement[] {
    const lack: Lack = { hours: [], oven: [], moulds: [], trays: [] }
    this.occupancy.lacking({ batch, ...option }, until, (rule, day, _asked, _there, kind) => {
      if (rule === 'moulds') lack.moulds.push({ kind, day })
      else lack[rule].push(day)
      return false
    })
    // In the order in which they came, not in that of what was tried before: the same question has the same answer.
    return [...this.standing.values()].filter(
      (placement) => !this.fixed.has(placement.id) && !this.moved.has(placement.id) && this.uses(placement, lack),
    )
  }

  /** Whether a batch uses, on its days, anything of what another lacks. */
  private uses({ id, pour, cut }: Placement, lack: Lack): boolean {
    const batch = this.batch(id)
    const prep = batch.prepHours > 0 ? prepDayOf(this.problem, batch, pour) : pour
    if (lack.hours.some((day) => day === prep || day === pour || day === cut)) return true
    if (batch.oven && lack.oven.includes(pour)) return true
    if (lack.moulds.some(({ kind, day }) => Object.hasOwn(batch.moulds, kind) && day >= pour && day < cut)) return true
    const end = traysUntil(batch, cut, this.problem.days)
    return lack.trays.some((day) => day >= cut && day < end)
  }

  private batch(id: string): ProblemBatch {
    return this.byId.get(id)!
  }

  private readonly at = (id: string): Placement => this.placed.get(id)!

  private options(batch: ProblemBatch): readonly DayOption[] {
    return this.optionsOf.get(batch.id) ?? []
  }
}
