import { costOf } from '../problem/planCost'
import type { SeasonProblem } from '../problem/seasonProblem'
import { hoursTolerance } from '../problem/seasonProblem'
import type { OptionTable } from './optionTable'

/** What a batch may lack on the days of an option. */
const enum Lack {
  none,
  hours,
  oven,
  moulds,
  trays,
}

/** What is no difference between two costs: they are in millionths. */
export const costDust = 1e-6

/** Nobody could make room. */
export const nobody = -1
/** There is room as it is. */
export const noneNeeded = -2

/**
 * A plan that breaks nothing, while batches are lifted off their days and laid on others: what is left of each day, and
 * the cost. It is the occupancy of the season once more, flat in typed arrays; `fits` answers as `Occupancy.fits` does.
 *
 * What is overfull without these batches stays so: it takes nobody in who asks for more of it.
 */
export class SoundPlan {
  /** Cost of the batches that lie, pour days with it. */
  cost = 0
  /** For each batch the number of the option it lies on; −1 while it lies nowhere. */
  readonly place: Int32Array
  private readonly setupHours: number
  private readonly hoursLeft: Float64Array
  private readonly pours: Int32Array
  private readonly ovenLeft: Int32Array
  private readonly traysLeft: Int32Array
  private readonly mouldsLeft: Int32Array
  /** Days of each batch that lies; −1 for one that lies nowhere, and for preparing what needs none. */
  private readonly pourNow: Int32Array
  private readonly cutNow: Int32Array
  private readonly prepNow: Int32Array
  private readonly traysEndNow: Int32Array
  private lackOn = 0
  private lackKind = 0

  /** @param table the batches and their options, those of a batch from the cheapest to the dearest */
  constructor(
    problem: SeasonProblem,
    readonly table: OptionTable,
  ) {
    const { days, taken, hours, mouldKinds, ovenSlots, trays } = problem
    const { kinds, batches } = table
    this.setupHours = problem.setupHours
    this.place = new Int32Array(batches.length).fill(-1)
    const nowhere = (): Int32Array => new Int32Array(batches.length).fill(-1)
    this.pourNow = nowhere()
    this.cutNow = nowhere()
    this.prepNow = nowhere()
    this.traysEndNow = nowhere()
    this.pours = new Int32Array(days)
    this.hoursLeft = Float64Array.from(hours, (there, day) => there + hoursTolerance / 2 - (taken?.hours?.[day] ?? 0))
    this.ovenLeft = new Int32Array(days).fill(ovenSlots)
    this.traysLeft = Int32Array.from({ length: days }, (_, day) => trays - (taken?.trays[day] ?? 0))
    this.mouldsLeft = new Int32Array(days * kinds.length)
    kinds.forEach((kind, index) => {
      for (let day = 0; day < days; day++)
        this.mouldsLeft[index * days + day] = (mouldKinds[kind] ?? 0) - (taken?.moulds[kind]?.[day] ?? 0)
    })
  }

  /** The day on which a batch is poured that lies. */
  pourDay(batch: number): number {
    return this.pourNow[batch]!
  }

  /** Whether nothing is poured on a day. */
  isClosed(day: number): boolean {
    return this.pours[day] === 0
  }

  /** Whether a batch that lies gets ready too late. */
  isLate(batch: number): boolean {
    return this.cutNow[batch]! > this.table.lastCut[batch]!
  }

  /** What the dearest of the late costs by its own days; 0 when nobody is late. */
  dearestLate(batches: Int32Array): number {
    const { costOfOption } = this.table
    return batches.reduce(
      (most, batch) => (this.isLate(batch) ? Math.max(most, costOfOption[this.place[batch]!]!) : most),
      0,
    )
  }

  /** Whether a batch that lies nowhere fits on the days of an option beside those that lie. */
  fits(batch: number, option: number): boolean {
    return this.lackOf(batch, option) === Lack.none
  }

  /**
   * The option on which a batch that lies nowhere adds the least to the cost.
   *
   * @param miss how often one is passed over though it fits, by chance, 0 to 1
   * @param wished a pour day that counts as if it were open and saved another; −1 for none
   * @param shunned a pour day that is not taken; −1 for none
   * @returns −1 when it fits nowhere
   */
  cheapest(batch: number, miss: number, random: () => number, wished = -1, shunned = -1): number {
    const { costOfOption, pourOf } = this.table
    const end = this.table.firstOption[batch + 1]!
    const mostSaved = wished < 0 ? 0 : costOf.pourDay
    let cheapest = -1
    let least = Infinity
    for (let option = this.table.firstOption[batch]!; option < end; option++) {
      const own = costOfOption[option]!
      if (own - mostSaved >= least) break
      const day = pourOf[option]!
      if (day === shunned) continue
      let cost = own
      if (day === wished) cost -= costOf.pourDay
      else if (this.pours[day] === 0) cost += costOf.pourDay
      if (cost >= least || !this.fits(batch, option) || (miss > 0 && random() < miss)) continue
      least = cost
      cheapest = option
    }
    return cheapest
  }

  /** Lays a batch on its days. */
  lay(batch: number, option: number): void {
    this.place[batch] = option
    this.change(batch, option, 1)
  }

  /** Lifts a batch off its days. @returns the option on which it lay */
  lift(batch: number): number {
    const option = this.place[batch]!
    this.place[batch] = -1
    this.change(batch, option, -1)
    return option
  }

  /** Every batch where another plan has it. */
  become(place: Int32Array): void {
    for (let batch = 0; batch < place.length; batch++) {
      if (this.place[batch] === place[batch]) continue
      if (this.place[batch]! >= 0) this.lift(batch)
    }
    for (let batch = 0; batch < place.length; batch++)
      if (this.place[batch] !== place[batch]) this.lay(batch, place[batch]!)
    this.cost = this.costAnew()
  }

  /** The cost added up anew, so that what rounding leaves does not grow. */
  private costAnew(): number {
    let cost = 0
    for (const option of this.place) if (option >= 0) cost += this.table.costOfOption[option]!
    for (const pours of this.pours) if (pours > 0) cost += costOf.pourDay
    return cost
  }

  /**
   * A batch that uses what another lacks on the days of an option, each as likely as the next.
   *
   * @param mayGo whether a batch that lies may be lifted
   * @returns its number, {@link noneNeeded} when there is room, {@link nobody} when none may go
   */
  inTheWay(batch: number, option: number, mayGo: (other: number) => boolean, random: () => number): number {
    let chosen = nobody
    let seen = 0
    const isNeeded = this.eachInTheWay(batch, option, (other) => {
      if (mayGo(other) && random() * ++seen < 1) chosen = other
    })
    return isNeeded ? chosen : noneNeeded
  }

  /** Visits those that use what a batch lacks first on the days of an option. @returns whether it lacks anything */
  eachInTheWay(batch: number, option: number, visit: (other: number) => void): boolean {
    const lack = this.lackOf(batch, option)
    if (lack === Lack.none) return false
    const { lackOn: day, lackKind: kind, pourNow, cutNow, prepNow, traysEndNow } = this
    const { length } = pourNow
    if (lack === Lack.hours) {
      for (let other = 0; other < length; other++)
        if (pourNow[other] === day || cutNow[other] === day || prepNow[other] === day) visit(other)
    } else if (lack === Lack.oven) {
      for (let other = 0; other < length; other++)
        if (pourNow[other] === day && this.table.ovenMoulds[other]! > 0) visit(other)
    } else if (lack === Lack.trays) {
      for (let other = 0; other < length; other++)
        if (cutNow[other]! <= day && traysEndNow[other]! > day && this.table.batchTrays[other]! > 0) visit(other)
    } else {
      for (let other = 0; other < length; other++)
        if (pourNow[other]! <= day && cutNow[other]! > day && this.holdsKind(other, kind)) visit(other)
    }
    return true
  }

  private holdsKind(batch: number, kind: number): boolean {
    const { firstMould, mouldKind } = this.table
    for (let pair = firstMould[batch]!; pair < firstMould[batch + 1]!; pair++) if (mouldKind[pair] === kind) return true
    return false
  }

  /** What a batch lacks first on the days of an option, with the day and the kind of mould it lacks. */
  private lackOf(batch: number, option: number): Lack {
    const { table, hoursLeft } = this
    const pour = table.pourOf[option]!
    const pourHours = table.pourHours[batch]! + (this.pours[pour] === 0 ? this.setupHours : 0)
    if (hoursLeft[pour]! < pourHours && pourHours > 0) {
      this.lackOn = pour
      return Lack.hours
    }
    const cut = table.cutOf[option]!
    const cutHours = table.cutHours[batch]!
    if (hoursLeft[cut]! < cutHours && cutHours > 0) {
      this.lackOn = cut
      return Lack.hours
    }
    const prepHours = table.prepHours[batch]!
    if (prepHours > 0 && hoursLeft[table.prepOf[option]!]! < prepHours) {
      this.lackOn = table.prepOf[option]!
      return Lack.hours
    }
    const ovenMoulds = table.ovenMoulds[batch]!
    if (ovenMoulds > 0 && this.ovenLeft[pour]! < ovenMoulds) {
      this.lackOn = pour
      return Lack.oven
    }
    const lastMould = table.firstMould[batch + 1]!
    for (let pair = table.firstMould[batch]!; pair < lastMould; pair++) {
      const row = table.mouldKind[pair]! * table.days
      const count = table.mouldCount[pair]!
      for (let day = pour; day < cut; day++)
        if (this.mouldsLeft[row + day]! < count) {
          this.lackOn = day
          this.lackKind = table.mouldKind[pair]!
          return Lack.moulds
        }
    }
    const trays = table.batchTrays[batch]!
    if (trays > 0) {
      const { traysLeft } = this
      const end = table.traysEndOf[option]!
      for (let day = cut; day < end; day++)
        if (traysLeft[day]! < trays) {
          this.lackOn = day
          return Lack.trays
        }
    }
    return Lack.none
  }

  private change(batch: number, option: number, sign: 1 | -1): void {
    const { table, hoursLeft, mouldsLeft, traysLeft } = this
    const pour = table.pourOf[option]!
    const cut = table.cutOf[option]!
    const lies = sign > 0
    const prepHours = table.prepHours[batch]!
    this.pourNow[batch] = lies ? pour : -1
    this.cutNow[batch] = lies ? cut : -1
    this.prepNow[batch] = lies && prepHours > 0 ? table.prepOf[option]! : -1
    this.traysEndNow[batch] = lies ? table.traysEndOf[option]! : -1
    this.cost += sign * table.costOfOption[option]!
    if (prepHours > 0) hoursLeft[table.prepOf[option]!]! -= sign * prepHours
    let pourHours = table.pourHours[batch]!
    if (this.pours[pour] === (sign > 0 ? 0 : 1)) {
      pourHours += this.setupHours
      this.cost += sign * costOf.pourDay
    }
    this.pours[pour]! += sign
    hoursLeft[pour]! -= sign * pourHours
    hoursLeft[cut]! -= sign * table.cutHours[batch]!
    this.ovenLeft[pour]! -= sign * table.ovenMoulds[batch]!
    const lastMould = table.firstMould[batch + 1]!
    for (let pair = table.firstMould[batch]!; pair < lastMould; pair++) {
      const row = table.mouldKind[pair]! * table.days
      const count = sign * table.mouldCount[pair]!
      for (let day = row + pour; day < row + cut; day++) mouldsLeft[day]! -= count
    }
    const trays = sign * table.batchTrays[batch]!
    const end = table.traysEndOf[option]!
    for (let day = cut; day < end; day++) traysLeft[day]! -= trays
  }
}
