import { traysUntil } from '../problem/planCost'
import type { ProblemBatch, SeasonProblem } from '../problem/seasonProblem'
import { prepDayOf } from '../problem/prepDay'
import { hoursTolerance, mouldCountOf } from '../problem/seasonProblem'
import type { BatchRule, DayRule, Violation } from '../problem/violation'

/** A batch on its days, counted from day 0 of the season. */
export interface PlacedBatch {
  readonly batch: ProblemBatch
  readonly pour: number
  readonly cut: number
}

/** What is asked of each day of a season. */
export interface SeasonLoad {
  /** Hours of work, set-up included. */
  readonly hours: readonly number[]
  readonly trays: readonly number[]
  /** Moulds that sit in the oven on the night after. */
  readonly oven: readonly number[]
  /** Moulds held, by kind. */
  readonly moulds: Readonly<Record<string, readonly number[]>>
}

/**
 * Told of what is asked beyond what is there: the rule, the day, how much is asked in all, how much there is, and the kind
 * of mould where it is one. True ends the look.
 */
export type TellLack = (rule: DayRule, day: number, asked: number, there: number, kind: string) => boolean

const stopAtOnce: TellLack = () => true

/**
 * What a day, a mould, the oven and the racks of a season still have: the one model that suggestions, checks, day options,
 * promises and the board stand on. Batches are taken in and given back; both change its own rows. Days outside the season
 * count nowhere.
 */
export class Occupancy {
  /** What is asked of each day, of what is taken and what was taken before planning began. */
  readonly load: SeasonLoad
  private readonly hours: number[]
  private readonly oven: number[]
  private readonly trays: number[]
  private readonly pours: number[]
  private readonly moulds: Readonly<Record<string, number[]>>

  constructor(private readonly problem: SeasonProblem) {
    const { days, taken } = problem
    this.hours = Array.from({ length: days }, (_, day) => taken?.hours?.[day] ?? 0)
    this.oven = new Array<number>(days).fill(0)
    this.pours = new Array<number>(days).fill(0)
    this.trays = Array.from({ length: days }, (_, day) => taken?.trays[day] ?? 0)
    const moulds: Record<string, number[]> = {}
    for (const kind of Object.keys(problem.mouldKinds))
      moulds[kind] = Array.from({ length: days }, (_, day) => taken?.moulds[kind]?.[day] ?? 0)
    this.moulds = moulds
    this.load = { hours: this.hours, oven: this.oven, trays: this.trays, moulds }
  }

  /** Takes a batch in on its days. @param due until when it keeps its trays at the least */
  take(placed: PlacedBatch, due = placed.batch.due): void {
    this.change(placed, due, 1)
  }

  /** Gives back what a batch took on these days, under the same `due`. */
  giveBack(placed: PlacedBatch, due = placed.batch.due): void {
    this.change(placed, due, -1)
  }

  /** Whether a batch can stand on its days beside what is taken. */
  fits(placed: PlacedBatch, due = placed.batch.due): boolean {
    return this.brokenRules(placed).length === 0 && !this.lacking(placed, due, stopAtOnce)
  }

  /** What a batch would break on its days beside what is taken, its own rules first, then day by day of each kind. */
  violations(placed: PlacedBatch, due = placed.batch.due): readonly Violation[] {
    const { id } = placed.batch
    const found: Violation[] = this.brokenRules(placed).map((rule) => ({ ...rule, id }))
    if (found.some(({ rule }) => rule === 'outside')) return found
    this.lacking(placed, due, (rule, day, asked, there, kind) => {
      found.push(rule === 'moulds' ? { rule, day, asked, there, kind } : { rule, day, asked, there })
      return false
    })
    return found
  }

  /** What is taken beyond what is there, day by day. */
  overfull(): readonly Violation[] {
    const { days, hours, mouldKinds, ovenSlots, trays } = this.problem
    const found: Violation[] = []
    const kinds = Object.entries(mouldKinds)
    const look = (rule: 'hours' | 'oven' | 'trays', day: number, asked: number, there: number): void => {
      if (asked > there) found.push({ rule, day, asked, there })
    }
    for (let day = 0; day < days; day++) {
      const there = hours[day] ?? 0
      const asked = this.hours[day]!
      if (asked > there + hoursTolerance) found.push({ rule: 'hours', day, asked, there })
      for (const [kind, count] of kinds) {
        const held = this.moulds[kind]![day]!
        if (held > count) found.push({ rule: 'moulds', kind, day, asked: held, there: count })
      }
      look('oven', day, this.oven[day]!, ovenSlots)
      look('trays', day, this.trays[day]!, trays)
    }
    return found
  }

  /**
   * Tells what a batch lacks on its days until `tell` says that it is enough; its own rules are not looked at. Only what
   * the batch asks of a day counts against it: a day that is overfull without it is no lack of its.
   *
   * @returns whether `tell` ended the look
   */
  lacking({ batch, pour, cut }: PlacedBatch, due: number, tell: TellLack): boolean {
    const { days, trays, mouldKinds } = this.problem
    if (this.lackingToPour(batch, pour, tell) || this.isShort(cut, batch.cutHours, tell)) return true
    for (const kind in batch.moulds) {
      const row = this.moulds[kind]
      const there = mouldKinds[kind] ?? 0
      for (let day = pour; day < cut && day < days; day++) {
        const asked = (row?.[day] ?? 0) + batch.moulds[kind]!
        if (asked > there && tell('moulds', day, asked, there, kind)) return true
      }
    }
    if (batch.trays > 0)
      for (let day = cut, end = traysUntil({ due, cureDays: batch.cureDays }, cut, days); day < end; day++) {
        const asked = this.trays[day]! + batch.trays
        if (asked > trays && tell('trays', day, asked, trays, '')) return true
      }
    return false
  }

  /** Whether there are hours and oven to prepare and pour a batch, wherever it is cut. */
  canPour(batch: ProblemBatch, pour: number): boolean {
    return !this.lackingToPour(batch, pour, stopAtOnce)
  }

  private lackingToPour(batch: ProblemBatch, pour: number, tell: TellLack): boolean {
    const { setupHours, ovenSlots } = this.problem
    const opening = this.pours[pour] === 0 ? setupHours : 0
    const prep = prepDayOf(this.problem, batch, pour)
    if (this.isShort(prep, batch.prepHours, tell) || this.isShort(pour, batch.pourHours + opening, tell)) return true
    const asked = batch.oven ? this.oven[pour]! + mouldCountOf(batch) : 0
    return asked > ovenSlots && tell('oven', pour, asked, ovenSlots, '')
  }

  private isShort(day: number, added: number, tell: TellLack): boolean {
    const { days, hours } = this.problem
    if (!(added > 0) || day < 0 || day >= days) return false
    const asked = this.hours[day]! + added
    const there = hours[day] ?? 0
    return asked > there + hoursTolerance && tell('hours', day, asked, there, '')
  }

  /** Rules that a batch breaks on these days whatever else is taken. */
  brokenRules({ batch, pour, cut }: PlacedBatch): readonly BatchRule[] {
    const isInside = (day: number): boolean => Number.isInteger(day) && day >= 0 && day < this.problem.days
    if (!isInside(pour) || !isInside(cut)) return outside
    const { earliest, prepHours, setDays } = batch
    const set = cut - pour
    const isTooEarly = pour < earliest
    const hasNoEve = prepHours > 0 && prepDayOf(this.problem, batch, pour) < 0
    const isSetWrong = set < setDays.min || set > setDays.max
    if (!isTooEarly && !hasNoEve && !isSetWrong) return none
    return [
      ...(isTooEarly ? [{ rule: 'too_early' as const, earliest }] : []),
      ...(hasNoEve ? [{ rule: 'no_day_to_prepare' as const }] : []),
      ...(isSetWrong ? [{ rule: 'set_days' as const, set, min: setDays.min, max: setDays.max }] : []),
    ]
  }

  private change({ batch, pour, cut }: PlacedBatch, due: number, sign: 1 | -1): void {
    const { days, setupHours } = this.problem
    const add = (row: number[], day: number, amount: number): void => {
      if (day >= 0 && day < days) row[day] = row[day]! + sign * amount
    }
    if (batch.prepHours > 0) add(this.hours, prepDayOf(this.problem, batch, pour), batch.prepHours)
    const opensOrCloses = this.pours[pour] === (sign > 0 ? 0 : 1)
    add(this.hours, pour, batch.pourHours + (opensOrCloses ? setupHours : 0))
    add(this.hours, cut, batch.cutHours)
    add(this.pours, pour, 1)
    if (batch.oven) add(this.oven, pour, mouldCountOf(batch))
    for (const [kind, count] of Object.entries(batch.moulds)) {
      const row = this.moulds[kind]
      if (row) for (let day = pour; day < cut; day++) add(row, day, count)
    }
    for (let day = cut, end = traysUntil({ due, cureDays: batch.cureDays }, cut, days); day < end; day++)
      add(this.trays, day, batch.trays)
  }
}

const none: readonly BatchRule[] = []
const outside: readonly BatchRule[] = [{ rule: 'outside' }]

/** What placed batches ask of each day, on top of what is taken. */
export function seasonLoad(problem: SeasonProblem, placed: readonly PlacedBatch[]): SeasonLoad {
  const occupancy = new Occupancy(problem)
  for (const one of placed) occupancy.take(one)
  return occupancy.load
}
