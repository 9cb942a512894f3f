import { seasonLoad } from '../occupancy'
import { slackOf, traysUntil } from '../problem/planCost'
import type { Placement, ProblemBatch, SeasonProblem } from '../problem/seasonProblem'
import { mouldCountOf } from '../problem/seasonProblem'
import type { DayOption } from '../solver/dayOptions'
import { dayOptions, emptySeason } from '../solver/dayOptions'
import { OptionTable } from '../solver/optionTable'
import { SoundPlan } from '../solver/soundPlan'
import type { Delivery } from './delivery'

/** What a search pays for a day on which wished batches are ready after the earliest, and for moving one that stands. */
const costOfWish = { readyDay: 300, move: 10, movedDay: 0.1 } as const

const lateOf = (batch: ProblemBatch, cut: number): number => Math.max(0, -slackOf(batch, cut))

/**
 * A season in which batches stand on their days and others are asked for, flat for a search: each that stands has its own
 * days first, then those on which it is late no more, the nearest first; the wished have theirs by the day they are ready.
 */
export class AskedSeason {
  readonly plan: SoundPlan
  readonly table: OptionTable
  /** Numbers of the wished batches, the hardest to place first. */
  readonly wished: readonly number[]
  /** 1 for each batch that stands and may move. */
  readonly mayMove: Uint8Array
  /** First day on which all of the wished could be ready, were they alone; Infinity when there is none. */
  readonly earliest: number
  /** Last day that is looked at. */
  readonly latest: number
  /** The option on which each batch stood; -1 for the wished. */
  readonly home: Int32Array
  /** The batches that may move, the wished last. */
  readonly movable: Int32Array
  private readonly days: number

  /**
   * @param others where the batches stand that are not wished; what they break already is left to them
   * @param wished ids of the problem's batches that have no day yet; their own `due` is not looked at
   * @param pinned batches that must not move
   */
  constructor(
    problem: SeasonProblem,
    others: readonly Placement[],
    wished: readonly string[],
    pinned: readonly Placement[],
  ) {
    const { days } = problem
    this.days = days
    const isInside = ({ pour, cut }: Placement): boolean => pour >= 0 && cut < days
    const standing = new Map(others.filter(isInside).map((placement) => [placement.id, placement]))
    const isPinned = new Set(pinned.map(({ id }) => id))
    const isWished = (id: string): boolean => wished.includes(id)
    const batches = problem.batches
      .filter(({ id }) => isWished(id) || standing.has(id))
      .map((batch) => (isWished(batch.id) ? { ...batch, due: 0 } : batch))
    const empty = emptySeason(problem)
    const options = batches.map((batch): readonly DayOption[] => {
      const own = standing.get(batch.id)
      if (!own) return dayOptions(problem, batch, empty).toSorted((a, b) => a.cut - b.cut || a.pour - b.pour)
      const { pour, cut } = own
      const elsewhere = isPinned.has(batch.id) ? [] : dayOptions(problem, batch, empty)
      const asGood = elsewhere.filter(
        (day) => (day.pour !== pour || day.cut !== cut) && lateOf(batch, day.cut) <= lateOf(batch, cut),
      )
      const far = (day: DayOption): number => Math.abs(day.pour - pour)
      return [{ pour, cut }, ...asGood.sort((a, b) => far(a) - far(b) || a.cut - b.cut)]
    })
    const readyOf = ({ cureDays }: ProblemBatch, { cut }: DayOption): number => cut + cureDays
    const firstReady = batches.map((batch, index) =>
      isWished(batch.id) ? Math.min(Infinity, ...options[index]!.map((day) => readyOf(batch, day))) : 0,
    )
    this.wished = batches
      .flatMap(({ id }, index) => (isWished(id) ? [index] : []))
      .sort((a, b) => hardestFirst(batches[a]!, batches[b]!))
    this.earliest = this.wished.length === 0 ? Infinity : Math.max(0, ...firstReady)
    this.latest = days + Math.max(0, ...this.wished.map((index) => batches[index]!.cureDays))
    this.mayMove = Uint8Array.from(batches, ({ id }, index) => (standing.has(id) && options[index]!.length > 1 ? 1 : 0))

    this.table = new OptionTable(problem, batches, options, (batch, day) => {
      const own = standing.get(batch.id)
      if (!own) return costOfWish.readyDay * Math.max(0, readyOf(batch, day) - this.earliest)
      const isMoved = day.pour !== own.pour || day.cut !== own.cut
      return isMoved ? costOfWish.move + costOfWish.movedDay * Math.abs(day.pour - own.pour) : 0
    })
    this.plan = new SoundPlan(withTaken(problem, others, isInside), this.table)
    this.home = Int32Array.from(batches, ({ id }, index) => (isWished(id) ? -1 : this.table.firstOption[index]!))
    this.movable = Int32Array.from([
      ...[...batches.keys()].filter((batch) => this.mayMove[batch] === 1),
      ...this.wished,
    ])
    this.standAsAsked()
  }

  /** Every batch where it stood, the wished nowhere. */
  standAsAsked(): void {
    this.plan.become(this.home)
  }

  /** Takes the days of a delivery. None of the wished may lie, and every other one where it stood. */
  stand({ pours, moved }: Delivery): void {
    const indexOf = new Map(this.table.batches.map(({ id }, index) => [id, index]))
    const place = this.plan.place.slice()
    for (const { id, pour, cut } of [...pours, ...moved]) {
      const batch = indexOf.get(id)!
      place[batch] = this.table.optionOn(batch, { pour, cut })
    }
    this.plan.become(place)
  }

  /** Lets the wished keep their trays until a due day at the least. None of them may lie. */
  keepTraysUntil(due: number): void {
    const { firstOption, cutOf, traysEndOf, batches } = this.table
    for (const batch of this.wished)
      for (let option = firstOption[batch]!; option < firstOption[batch + 1]!; option++)
        traysEndOf[option] = traysUntil({ due, cureDays: batches[batch]!.cureDays }, cutOf[option]!, this.days)
  }

  /** The day on which a batch is ready on an option of its own. */
  readyOn(batch: number, option: number): number {
    return this.table.cutOf[option]! + this.table.batches[batch]!.cureDays
  }

  /** The options on which a wished batch is ready by a due day end before this one. */
  endBy(batch: number, due: number): number {
    let end = this.table.firstOption[batch]!
    while (end < this.table.firstOption[batch + 1]! && this.readyOn(batch, end) <= due) end += 1
    return end
  }

  /** For each batch where the options end that it may take: the wished are ready by a due day. */
  endsBy(due: number): Int32Array {
    const ends = this.table.firstOption.slice(1)
    for (const batch of this.wished) ends[batch] = this.endBy(batch, due)
    return ends
  }

  /** Whether two batches are alike in everything but their name, so that they need not change places. */
  isAlike(a: number, b: number): boolean {
    const [one, other] = [this.table.batches[a]!, this.table.batches[b]!]
    return JSON.stringify({ ...one, id: '' }) === JSON.stringify({ ...other, id: '' })
  }

  /** The day by which all of the wished are ready where they lie. */
  dueNow(): number {
    return Math.max(...this.wished.map((batch) => this.readyOn(batch, this.plan.place[batch]!)))
  }

  /** The plan as it lies, as a delivery by a due day. */
  deliveryBy(due: number): Delivery {
    const { table, plan, wished, home } = this
    const placement = (batch: number): Placement => ({
      id: table.batches[batch]!.id,
      ...table.daysOf(plan.place[batch]!),
    })
    const hasMoved = (batch: number): boolean => home[batch]! >= 0 && home[batch] !== plan.place[batch]
    const moved = [...home.keys()].filter(hasMoved).map(placement)
    return { due, pours: [...wished].sort((a, b) => a - b).map(placement), moved }
  }
}

function hardestFirst(a: ProblemBatch, b: ProblemBatch): number {
  return b.cureDays - a.cureDays || mouldCountOf(b) - mouldCountOf(a) || a.id.localeCompare(b.id)
}

/** A season in which what stands partly outside it is counted as taken. */
function withTaken(
  problem: SeasonProblem,
  others: readonly Placement[],
  isInside: (placement: Placement) => boolean,
): SeasonProblem {
  const byId = new Map(problem.batches.map((batch) => [batch.id, batch]))
  const outside = others.flatMap((placement) => {
    const batch = byId.get(placement.id)
    return batch && !isInside(placement) ? [{ batch, pour: placement.pour, cut: placement.cut }] : []
  })
  if (outside.length === 0) return problem
  const { hours, trays, moulds } = seasonLoad(problem, outside)
  return { ...problem, taken: { ...problem.taken, hours, trays, moulds } }
}
