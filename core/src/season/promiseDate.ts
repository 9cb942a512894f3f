import { slackOf, traysUntil } from './problem/planCost'
import { promiseByReplan } from './promiseByReplan'
import type { Promised } from './promised'
import { promiseHolds } from './promised'
import type { Placement, SeasonBatch, SeasonProblem } from './problem/seasonProblem'
import { hoursTolerance, mouldCountOf } from './problem/seasonProblem'
import type { DayOption } from './solver/dayOptions'
import { dayOptions } from './solver/dayOptions'

export interface PromiseDate {
  /** With every batch where it stands; undefined when there is no day within the season. */
  readonly asPlanned: Promised | undefined
  /** An earlier day, when others that may move make room without breaking what was promised for them. */
  readonly withMoves: Promised | undefined
  /** Whether every possibility was looked at; false when the search was cut short, so that `due` may be a little late. */
  readonly isExact: boolean
}

export interface PromiseOptions {
  /** Batches that must not move, besides the wished ones. */
  readonly pinned?: readonly Placement[]
  /** How many batches may move at most to make room. @default 6 */
  readonly mostMoved?: number
  /** Steps of the search for each due day. @default 3000 */
  readonly steps?: number
}

/** Days on which there is too little of something for a batch. */
interface Lack {
  readonly hours: number[]
  readonly oven: number[]
  readonly moulds: { readonly kind: string; readonly day: number }[]
  readonly trays: number[]
}

/** Told of something that lacks on a day, with the kind of mould where it is one; true ends the look. */
type TellLack = (what: keyof Lack, day: number, kind: string) => boolean

/** What is free on each day, taken and given back as batches are tried. Changes its own arrays. */
class Room {
  private readonly hours: number[]
  private readonly oven: number[]
  private readonly trays: number[]
  private readonly pours: number[]
  private readonly moulds: Record<string, number[]>

  constructor(private readonly problem: SeasonProblem) {
    const { days, taken } = problem
    this.hours = [...problem.hours]
    this.oven = new Array<number>(days).fill(problem.ovenSlots)
    this.trays = Array.from({ length: days }, (_, day) => problem.trays - (taken?.trays[day] ?? 0))
    this.pours = new Array<number>(days).fill(0)
    this.moulds = Object.fromEntries(
      Object.entries(problem.mouldKinds).map(([kind, count]) => [
        kind,
        Array.from({ length: days }, (_, day) => count - (taken?.moulds[kind]?.[day] ?? 0)),
      ]),
    )
  }

  /** Takes what a batch needs (sign 1) or gives it back (−1). */
  use(batch: SeasonBatch, pour: number, cut: number, due: number, sign: 1 | -1): void {
    const { days, setupHours } = this.problem
    const take = (row: number[], day: number, amount: number): void => {
      if (day >= 0 && day < days) row[day] = row[day]! - sign * amount
    }
    if (batch.prepHours > 0) take(this.hours, pour - 1, batch.prepHours)
    const opensOrCloses = this.pours[pour] === (sign > 0 ? 0 : 1)
    take(this.hours, pour, batch.pourHours + (opensOrCloses ? setupHours : 0))
    take(this.hours, cut, batch.cutHours)
    if (pour >= 0 && pour < days) this.pours[pour] = this.pours[pour]! + sign
    if (batch.oven) take(this.oven, pour, mouldCountOf(batch))
    for (const [kind, count] of Object.entries(batch.moulds)) {
      const row = this.moulds[kind]
      if (row) for (let day = pour; day < cut; day++) take(row, day, count)
    }
    for (let day = cut, end = traysUntil({ ...batch, due }, cut, days); day < end; day++)
      take(this.trays, day, batch.trays)
  }

  /** Whether a batch fits on its days now. */
  fits(batch: SeasonBatch, pour: number, cut: number, due: number): boolean {
    return !this.someLack(batch, pour, cut, due, stopAtOnce)
  }

  /** What a batch lacks on its days now. */
  lacks(batch: SeasonBatch, pour: number, cut: number, due: number): Lack {
    const lack: Lack = { hours: [], oven: [], moulds: [], trays: [] }
    this.someLack(batch, pour, cut, due, (what, day, kind) => {
      if (what === 'moulds') lack.moulds.push({ kind, day })
      else lack[what].push(day)
      return false
    })
    return lack
  }

  /** Tells what a batch lacks on its days until `tell` says that it is enough. @returns whether it did */
  private someLack(batch: SeasonBatch, pour: number, cut: number, due: number, tell: TellLack): boolean {
    const { days, setupHours } = this.problem
    const isShort = (day: number, asked: number): boolean => !(this.hours[day]! >= asked - hoursTolerance)
    if (batch.prepHours > 0 && isShort(pour - 1, batch.prepHours) && tell('hours', pour - 1, '')) return true
    const pourHours = batch.pourHours + (this.pours[pour] === 0 ? setupHours : 0)
    if (isShort(pour, pourHours) && tell('hours', pour, '')) return true
    if (isShort(cut, batch.cutHours) && tell('hours', cut, '')) return true
    if (batch.oven && this.oven[pour]! < mouldCountOf(batch) && tell('oven', pour, '')) return true
    for (const [kind, count] of Object.entries(batch.moulds))
      for (let day = pour; day < cut; day++)
        if (this.moulds[kind]![day]! < count && tell('moulds', day, kind)) return true
    for (let day = cut, end = traysUntil({ ...batch, due }, cut, days); day < end; day++)
      if (this.trays[day]! < batch.trays && tell('trays', day, '')) return true
    return false
  }
}

const stopAtOnce: TellLack = () => true

/**
 * The earliest day that can be promised for some wished batches while every other batch keeps its promise: first with
 * all the others where they stand, then with up to `mostMoved` of them moved to other days on which they are as late as
 * before or less, fewest moves first. Due days are tried one after the other; for each, the ways to place the batches
 * are searched in depth, up to `steps`, a batch in the way leaving for another day. Where that was cut short, the whole
 * season is planned again for an earlier day.
 *
 * @param standing where the other batches stand; what they break already is left to them
 * @param wished ids of the problem's batches that have no day yet; their own `due` is not looked at
 */
export function promiseDate(
  problem: SeasonProblem,
  standing: readonly Placement[],
  wished: readonly string[],
  options: PromiseOptions = {},
): PromiseDate {
  const { pinned = [], mostMoved = 6, steps = 3000 } = options
  const byId = new Map(problem.batches.map((batch) => [batch.id, batch]))
  const asked = wished.flatMap((id) => byId.get(id) ?? [])
  const others = standing.filter(({ id }) => !wished.includes(id) && byId.has(id))
  const room = new Room(problem)
  for (const { id, pour, cut } of others) room.use(byId.get(id)!, pour, cut, byId.get(id)!.due, 1)
  const optionsOf = new Map(asked.map((batch) => [batch.id, dayOptions(problem, batch)]))
  const firstReady = asked.map((batch) =>
    Math.min(Infinity, ...(optionsOf.get(batch.id) ?? []).map(({ cut }) => cut + batch.cureDays)),
  )
  const from = Math.max(0, ...firstReady)
  if (asked.length === 0 || !Number.isFinite(from)) return { asPlanned: undefined, withMoves: undefined, isExact: true }
  const to = problem.days + Math.max(...asked.map(({ cureDays }) => cureDays))
  let isExact = true

  // Batches alike in everything are placed in order, so that no arrangement is tried twice.
  const alike = (a: SeasonBatch, b: SeasonBatch): boolean =>
    JSON.stringify({ ...a, id: '', due: 0 }) === JSON.stringify({ ...b, id: '', due: 0 })
  const ordered = [...asked].sort(
    (a, b) => b.cureDays - a.cureDays || mouldCountOf(b) - mouldCountOf(a) || a.id.localeCompare(b.id),
  )

  function place(due: number, budget: { left: number }): Placement[] | undefined {
    const chosen: Placement[] = []
    const descend = (index: number): boolean => {
      const batch = ordered[index]
      if (!batch) return true
      const before = ordered[index - 1]
      const last = before && alike(before, batch) ? chosen[index - 1] : undefined
      const possible = optionsOf.get(batch.id) ?? []
      for (let at = possible.length - 1; at >= 0; at--) {
        const { pour, cut } = possible[at]!
        if (cut + batch.cureDays > due) continue
        if (last && (pour > last.pour || (pour === last.pour && cut > last.cut))) continue
        if (budget.left-- <= 0) {
          isExact = false
          return false
        }
        if (!room.fits(batch, pour, cut, due)) continue
        room.use(batch, pour, cut, due, 1)
        chosen.push({ id: batch.id, pour, cut })
        const isDone = descend(index + 1)
        room.use(batch, pour, cut, due, -1)
        if (isDone) return true
        chosen.pop()
      }
      return false
    }
    return descend(0) ? chosen : undefined
  }

  let asPlanned: Promised | undefined
  for (let due = from; due <= to && !asPlanned; due++) {
    const pours = place(due, { left: steps * 10 })
    if (pours) asPlanned = { due, pours, moved: [] }
  }

  const isFixed = new Set([...pinned.map(({ id }) => id), ...wished])
  const standingOf = new Map(others.map((placement) => [placement.id, placement]))
  const lateOf = ({ id, cut }: Placement): number => Math.max(0, -slackOf(byId.get(id)!, cut))
  const placed = new Map(standingOf)
  const settled = new Map<string, readonly DayOption[]>()

  /** Days that a batch may be moved to: it is late no more than it was, and the nearest day comes first. */
  function otherDays(batch: SeasonBatch): readonly DayOption[] {
    const known = settled.get(batch.id)
    if (known) return known
    const was = standingOf.get(batch.id)!
    const days = dayOptions(problem, batch)
      .filter(({ pour, cut }) => lateOf({ id: batch.id, pour, cut }) <= lateOf(was))
      .sort((a, b) => Math.abs(a.pour - was.pour) - Math.abs(b.pour - was.pour) || a.cut - b.cut)
    settled.set(batch.id, days)
    return days
  }

  /** Batches that may move and use something that a batch lacks on its days. */
  function inTheWay(batch: SeasonBatch, { pour, cut }: DayOption, due: number): readonly Placement[] {
    const lack = room.lacks(batch, pour, cut, due)
    return [...placed.values()].filter(
      (placement) =>
        !isFixed.has(placement.id) &&
        !moved.has(placement.id) &&
        uses(problem, byId.get(placement.id)!, placement, lack),
    )
  }

  const moved = new Set<string>()
  const budget = { left: 0 }

  /**
   * Places the batches of a queue one after the other; where one does not fit, another in its way may leave, at most
   * `mayMove` in all, and joins the queue.
   */
  function settle(queue: readonly SeasonBatch[], due: number, mayMove: number): boolean {
    const [batch, ...rest] = queue
    if (!batch) return true
    const isWished = wished.includes(batch.id)
    const until = isWished ? due : batch.due
    const days = isWished
      ? (optionsOf.get(batch.id) ?? []).filter(({ cut }) =>
          // Days that would do for an earlier due day have been tried for it.
          asked.length === 1 ? cut + batch.cureDays === due : cut + batch.cureDays <= due,
        )
      : otherDays(batch)
    const stand = (option: DayOption): boolean => {
      room.use(batch, option.pour, option.cut, until, 1)
      placed.set(batch.id, { id: batch.id, ...option })
      if (settle(rest, due, mayMove)) return true
      room.use(batch, option.pour, option.cut, until, -1)
      placed.delete(batch.id)
      return false
    }
    for (const option of days) {
      if (budget.left-- <= 0) return false
      if (room.fits(batch, option.pour, option.cut, until) && stand(option)) return true
    }
    if (mayMove === 0) return false
    for (const option of days) {
      if (budget.left-- <= 0) return false
      for (const other of inTheWay(batch, option, until)) {
        const otherBatch = byId.get(other.id)!
        room.use(otherBatch, other.pour, other.cut, otherBatch.due, -1)
        placed.delete(other.id)
        moved.add(other.id)
        const fits = room.fits(batch, option.pour, option.cut, until)
        // Either there is room now, and the other looks for a day; or one more has to leave first.
        if (fits) {
          room.use(batch, option.pour, option.cut, until, 1)
          placed.set(batch.id, { id: batch.id, ...option })
          if (settle([otherBatch, ...rest], due, mayMove - 1)) return true
          room.use(batch, option.pour, option.cut, until, -1)
          placed.delete(batch.id)
        } else if (mayMove > 1 && settle([batch, ...rest, otherBatch], due, mayMove - 1)) return true
        moved.delete(other.id)
        placed.set(other.id, other)
        room.use(otherBatch, other.pour, other.cut, otherBatch.due, 1)
        if (budget.left <= 0) return false
      }
    }
    return false
  }

  /** Days on which a search with moves was cut short. */
  const cutShort = new Set<number>()

  /** A way to hand over on a due day, fewest moves first, with so many steps for each number of moves. */
  function withMovesBy(due: number, most: number): Promised | undefined {
    cutShort.delete(due)
    for (let mayMove = 1; mayMove <= mostMoved; mayMove++) {
      budget.left = most
      if (settle(ordered, due, mayMove)) {
        const at = (id: string): Placement => placed.get(id)!
        const found = { due, pours: asked.map(({ id }) => at(id)), moved: [...moved].map(at) }
        putBack(due)
        return found
      }
      if (budget.left <= 0) cutShort.add(due)
    }
    return undefined
  }

  /** Every batch where it stood before a way was found. */
  function putBack(due: number): void {
    for (const [id, { pour, cut }] of placed) {
      const isWished = wished.includes(id)
      if (!isWished && !moved.has(id)) continue
      const batch = byId.get(id)!
      room.use(batch, pour, cut, isWished ? due : batch.due, -1)
    }
    for (const id of wished) placed.delete(id)
    for (const id of moved) {
      const was = standingOf.get(id)!
      const batch = byId.get(id)!
      room.use(batch, was.pour, was.cut, batch.due, 1)
      placed.set(id, was)
    }
    moved.clear()
  }

  // A quick look at each day first. Where that was cut short, the whole season is planned again, which finds what needs
  // more moves than can be looked at one by one; then a long look at that day, for fewer moves, and at those before it.
  let withMoves: Promised | undefined
  const before = asPlanned?.due ?? to + 1
  for (let due = from; due < before && !withMoves; due++) withMoves = withMovesBy(due, steps / quickLook)
  const endOf = (): number => withMoves?.due ?? before
  const isOpen = (): boolean => [...cutShort].some((due) => due < endOf())
  // A whole re-plan has had its look at the days before already.
  const longLooks = isOpen() ? 1 : 2
  if (isOpen()) {
    const replanned = promiseByReplan(problem, others, wished, pinned, replanEffort)
    const isBetter = replanned && replanned.due < endOf() && promiseHolds(problem, others, replanned)
    if (isBetter) withMoves = withMovesBy(replanned.due, steps) ?? replanned
  }
  /** Days in a row that give nothing even by a long look. */
  let inVain = 0
  for (let due = endOf() - 1; due >= from && inVain < longLooks; due--) {
    if (!cutShort.has(due)) continue
    const earlier = withMovesBy(due, steps)
    if (earlier) withMoves = earlier
    inVain = earlier ? 0 : inVain + 1
  }
  if (isOpen()) isExact = false
  return { asPlanned, withMoves, isExact }
}

/** Effort of the whole re-plan that follows a search that was cut short. */
const replanEffort = 0.1
/** A quick look takes this share of the steps of a long one. */
const quickLook = 10

/** Whether a batch uses, on its days, anything of what another lacks. */
function uses(problem: SeasonProblem, batch: SeasonBatch, { pour, cut }: Placement, lack: Lack): boolean {
  if (lack.hours.some((day) => (day === pour - 1 && batch.prepHours > 0) || day === pour || day === cut)) return true
  if (batch.oven && lack.oven.includes(pour)) return true
  if (lack.moulds.some(({ kind, day }) => Object.hasOwn(batch.moulds, kind) && day >= pour && day < cut)) return true
  const end = traysUntil(batch, cut, problem.days)
  return lack.trays.some((day) => day >= cut && day < end)
}
