import { costOf } from '../problem/planCost'
import type { SeasonProblem } from '../problem/seasonProblem'
import type { DayOption } from './dayOptions'
import type { OptionTable } from './optionTable'

/** How much one unit too much of anything weighs while searching: far above what a unit saves, so that it is mended. */
const penalty = { hour: 100, mould: 60, ovenSlot: 60, tray: 10 } as const

/**
 * The load of a season while batches are moved about: what each day holds, the cost, and the penalty of whatever is
 * too much. A move costs time only by the days it touches. Everything lies flat in typed arrays that `move` changes.
 */
export class Workload {
  /** Cost of the plan as it stands. */
  cost = 0
  /** Penalty for what it breaks; 0 when it breaks nothing. */
  excess = 0
  /** For each batch the number of the option it stands on. */
  readonly place: Int32Array
  /** First option of each batch, one more at the end; options of a batch run by pour day, then cut day. */
  readonly firstOption: Int32Array
  readonly pourOf: Int32Array
  /** First option of a batch on a pour day, at batch · days + day; −1 when there is none. */
  private readonly optionOnDay: Int32Array
  private readonly cutOf: Int32Array
  private readonly prepOf: Int32Array
  /** How many days before its pour any batch is prepared at the most. */
  private readonly mostAhead: number
  private readonly traysEndOf: Int32Array
  private readonly costOfOption: Float64Array
  private readonly days: number
  private readonly setupHours: number
  private readonly hours: Float64Array
  private readonly hoursThere: Float64Array
  private readonly pours: Int32Array
  private readonly oven: Float64Array
  private readonly trays: Float64Array
  private readonly moulds: Float64Array
  private readonly mouldCounts: Float64Array
  private readonly ovenSlots: number
  private readonly trayCount: number
  private readonly prepHours: Float64Array
  private readonly pourHours: Float64Array
  private readonly cutHours: Float64Array
  private readonly ovenMoulds: Int32Array
  private readonly batchTrays: Int32Array
  /** Mould kinds of the batches one after the other, with their counts; `firstMould` says where each batch begins. */
  private readonly firstMould: Int32Array
  private readonly mouldKind: Int32Array
  private readonly mouldCount: Int32Array

  /** @param table the batches and their options, those of a batch by pour day, then cut day */
  constructor(
    problem: SeasonProblem,
    private readonly table: OptionTable,
  ) {
    const { days, taken } = problem
    const { batches, kinds } = table
    this.days = days
    this.setupHours = problem.setupHours
    this.firstOption = table.firstOption
    this.pourOf = table.pourOf
    this.cutOf = table.cutOf
    this.prepOf = table.prepOf
    this.traysEndOf = table.traysEndOf
    this.costOfOption = table.costOfOption
    this.mostAhead = this.pourOf.reduce((most, pour, option) => Math.max(most, pour - this.prepOf[option]!), 1)
    this.optionOnDay = new Int32Array(batches.length * days).fill(-1)
    batches.forEach((_, batch) => {
      for (let option = this.firstOption[batch + 1]! - 1; option >= this.firstOption[batch]!; option--)
        this.optionOnDay[batch * days + this.pourOf[option]!] = option
    })

    this.hours = Float64Array.from({ length: days }, (_, day) => taken?.hours?.[day] ?? 0)
    this.hoursThere = Float64Array.from(problem.hours, (hours) => hours + 1e-9)
    this.pours = new Int32Array(days)
    this.oven = new Float64Array(days)
    this.trays = Float64Array.from({ length: days }, (_, day) => taken?.trays[day] ?? 0)
    this.moulds = new Float64Array(days * kinds.length)
    kinds.forEach((kind, index) => this.moulds.set((taken?.moulds[kind] ?? []).slice(0, days), index * days))
    this.mouldCounts = Float64Array.from(kinds, (kind) => problem.mouldKinds[kind] ?? 0)
    this.ovenSlots = problem.ovenSlots
    this.trayCount = problem.trays

    this.prepHours = table.prepHours
    this.pourHours = table.pourHours
    this.cutHours = table.cutHours
    this.batchTrays = table.batchTrays
    this.ovenMoulds = table.ovenMoulds
    this.firstMould = table.firstMould
    this.mouldKind = table.mouldKind
    this.mouldCount = table.mouldCount

    this.place = Int32Array.from(batches, (_, batch) => this.cheapestOption(batch))
    batches.forEach((_, batch) => {
      const option = this.place[batch]!
      this.put(batch, option, 1)
      this.addTrays(batch, this.cutOf[option]!, this.traysEndOf[option]!)
    })
  }

  private cheapestOption(batch: number): number {
    let cheapest = this.firstOption[batch]!
    for (let option = cheapest + 1; option < this.firstOption[batch + 1]!; option++)
      if (this.costOfOption[option]! < this.costOfOption[cheapest]!) cheapest = option
    return cheapest
  }

  /** The day on which a batch is poured now. */
  pourDay(batch: number): number {
    return this.pourOf[this.place[batch]!]!
  }

  /** The days of an option. */
  daysOf(option: number): DayOption {
    return this.table.daysOf(option)
  }

  /** An option of a batch on a pour day, one of its cut days by chance; −1 when it cannot be poured then. */
  optionOn(batch: number, day: number, random: () => number): number {
    const first = this.optionOnDay[batch * this.days + day]!
    if (first < 0) return -1
    const end = this.firstOption[batch + 1]!
    let next = first + 1
    while (next < end && this.pourOf[next] === day) next++
    return next === first + 1 ? first : first + Math.floor(random() * (next - first))
  }

  /** Moves a batch to another of its options. */
  move(batch: number, to: number): void {
    const from = this.place[batch]!
    this.put(batch, from, -1)
    this.place[batch] = to
    this.put(batch, to, 1)
    // Only the days between the two cuts change on the rack, and those between the two ends of the stay.
    this.addTrays(batch, this.cutOf[to]!, this.cutOf[from]!)
    this.addTrays(batch, this.traysEndOf[from]!, this.traysEndOf[to]!)
  }

  /**
   * Penalty that a move would bring at the least, by the hours of its three days alone: a cheap look before `move`.
   * 0 when the old days and the new ones are so near that the batch may stand in its own way.
   */
  leastExcess(batch: number, to: number): number {
    const pour = this.pourOf[to]!
    const pourBefore = this.pourOf[this.place[batch]!]!
    const prep = this.prepOf[to]!
    const reach = this.cutOf[to]! - prep + 2 + this.mostAhead
    if (pour - pourBefore < reach && pourBefore - pour < reach) return 0
    const opens = this.pours[pour] === 0 ? this.setupHours : 0
    const pourOver = this.hours[pour]! + this.pourHours[batch]! + opens - this.hoursThere[pour]!
    const cut = this.cutOf[to]!
    const cutOver = this.hours[cut]! + this.cutHours[batch]! - this.hoursThere[cut]!
    const prepOver =
      this.prepHours[batch]! > 0 ? this.hours[prep]! + this.prepHours[batch]! - this.hoursThere[prep]! : 0
    return (
      penalty.hour *
      (atMost(pourOver, this.pourHours[batch]!) +
        atMost(cutOver, this.cutHours[batch]!) +
        atMost(prepOver, this.prepHours[batch]!))
    )
  }

  /**
   * Penalty that will stand at the least after a move, by hours, moulds and oven of its new days: what the batch itself
   * holds now is taken off first. Looks longer than `leastExcess` and holds for near days too.
   */
  leastAfter(batch: number, to: number): number {
    const pour = this.pourOf[to]!
    const cut = this.cutOf[to]!
    const from = this.place[batch]!
    const pourBefore = this.pourOf[from]!
    const cutBefore = this.cutOf[from]!
    const prepBefore = this.prepOf[from]!
    const prepHours = this.prepHours[batch]!
    let least =
      this.overHours(batch, pour, prepBefore, pourBefore, cutBefore, this.pourHours[batch]!) +
      this.overHours(batch, cut, prepBefore, pourBefore, cutBefore, this.cutHours[batch]!)
    if (prepHours > 0) least += this.overHours(batch, this.prepOf[to]!, prepBefore, pourBefore, cutBefore, prepHours)
    least *= penalty.hour
    const end = this.firstMould[batch + 1]!
    for (let pair = this.firstMould[batch]!; pair < end; pair++) {
      const kind = this.mouldKind[pair]!
      const row = kind * this.days
      for (let day = pour; day < cut; day++) {
        if (day >= pourBefore && day < cutBefore) continue
        const over = this.moulds[row + day]! + this.mouldCount[pair]! - this.mouldCounts[kind]!
        if (over > 0) least += penalty.mould * over
      }
    }
    const ovenMoulds = this.ovenMoulds[batch]!
    if (ovenMoulds > 0 && pour !== pourBefore) {
      const over = this.oven[pour]! + ovenMoulds - this.ovenSlots
      if (over > 0) least += penalty.ovenSlot * over
    }
    return least
  }

  /** Hours over on a day when a batch asks for some there instead of what it asks for now. */
  private overHours(
    batch: number,
    day: number,
    prepBefore: number,
    pourBefore: number,
    cutBefore: number,
    asked: number,
  ): number {
    let over = this.hours[day]! + asked - this.hoursThere[day]!
    if (day === prepBefore) over -= this.prepHours[batch]!
    if (day === pourBefore) over -= this.pourHours[batch]!
    if (day === cutBefore) over -= this.cutHours[batch]!
    return over > 0 ? over : 0
  }

  /** What a move saves of the cost at the most: its own days, and a pour day that may close. */
  mostSaved(batch: number, to: number): number {
    return this.costOfOption[this.place[batch]!]! - this.costOfOption[to]! + costOf.pourDay
  }

  /** Takes a batch off its days (−1) or puts it on them (1), its trays left out. */
  private put(batch: number, option: number, sign: 1 | -1): void {
    const pour = this.pourOf[option]!
    const cut = this.cutOf[option]!
    this.cost += sign * this.costOfOption[option]!
    const prepHours = this.prepHours[batch]!
    if (prepHours > 0) this.addHours(this.prepOf[option]!, sign * prepHours)
    let pourHours = this.pourHours[batch]!
    if (this.pours[pour] === (sign > 0 ? 0 : 1)) {
      pourHours += this.setupHours
      this.cost += sign * costOf.pourDay
    }
    this.pours[pour]! += sign
    this.addHours(pour, sign * pourHours)
    this.addHours(cut, sign * this.cutHours[batch]!)
    const ovenMoulds = this.ovenMoulds[batch]!
    if (ovenMoulds > 0) this.add(this.oven, pour, sign * ovenMoulds, this.ovenSlots, penalty.ovenSlot)
    const end = this.firstMould[batch + 1]!
    for (let pair = this.firstMould[batch]!; pair < end; pair++) {
      const kind = this.mouldKind[pair]!
      const count = sign * this.mouldCount[pair]!
      const there = this.mouldCounts[kind]!
      const row = kind * this.days
      for (let day = pour; day < cut; day++) this.add(this.moulds, row + day, count, there, penalty.mould)
    }
  }

  private addHours(day: number, amount: number): void {
    this.add(this.hours, day, amount, this.hoursThere[day]!, penalty.hour)
  }

  /** Adds a batch's trays from one day to before another; takes them off when the other comes first. */
  private addTrays(batch: number, from: number, to: number): void {
    const trays = this.batchTrays[batch]!
    for (let day = from; day < to; day++) this.add(this.trays, day, trays, this.trayCount, penalty.tray)
    for (let day = to; day < from; day++) this.add(this.trays, day, -trays, this.trayCount, penalty.tray)
  }

  private add(row: Float64Array, at: number, amount: number, limit: number, weight: number): void {
    const before = row[at]!
    const after = before + amount
    row[at] = after
    if (before > limit) this.excess -= weight * (before - limit)
    if (after > limit) this.excess += weight * (after - limit)
  }
}

/** How far over something is, at most by `amount`; 0 when it is not over. */
function atMost(over: number, amount: number): number {
  return over > 0 ? Math.min(over, amount) : 0
}
