import type { Placement, SeasonProblem } from '../problem/seasonProblem'
import { AskedSeason } from './askedSeason'
import type { Delivery } from './delivery'
import { deliveryHolds } from './delivery'
import { deliveryByMoving } from './deliveryByMoving'
import { DeliverySearch } from './deliverySearch'

export interface DeliveryDate {
  /** With every batch where it stands; undefined when there is no day within the season. */
  readonly asPlanned: Delivery | undefined
  /** An earlier day, when others that may move make room without breaking what was promised for them. */
  readonly withMoves: Delivery | undefined
  /** Whether every possibility was looked at; false when the search was cut short, so that `due` may be a little late. */
  readonly isExact: boolean
}

export interface DeliveryOptions {
  /** Batches that must not move, besides the wished ones. */
  readonly pinned?: readonly Placement[]
  /** How many batches may move at most to make room. @default 6 */
  readonly mostMoved?: number
  /** Steps of the search for each due day. @default 3000 */
  readonly steps?: number
}

/** A look that moves nobody is cheap: it may take so many times the steps. */
const plannedLook = 10

/**
 * The earliest day on which some wished batches can be delivered while every other batch keeps its promise: first with
 * all the others where they stand, then with up to `mostMoved` of them moved to other days on which they are as late as
 * before or less, fewest moves first. Due days are tried one after the other; for each, the ways to place the batches
 * are searched in depth, up to `steps`, a batch in the way leaving for another day. Where that was cut short, room is
 * made for an earlier day by moving whoever has to.
 *
 * @param standing where the other batches stand; what they break already is left to them
 * @param wished ids of the problem's batches that have no day yet; their own `due` is not looked at
 */
export function deliveryDate(
  problem: SeasonProblem,
  standing: readonly Placement[],
  wished: readonly string[],
  options: DeliveryOptions = {},
): DeliveryDate {
  const { pinned = [], mostMoved = 6, steps = 3000 } = options
  const known = new Set(problem.batches.map(({ id }) => id))
  const others = standing.filter(({ id }) => !wished.includes(id) && known.has(id))
  const asked = new AskedSeason(problem, others, wished, pinned)
  const { earliest, latest } = asked
  if (!Number.isFinite(earliest)) return { asPlanned: undefined, withMoves: undefined, isExact: true }
  const search = new DeliverySearch(asked)

  let asPlanned: Delivery | undefined
  for (let due = earliest; due <= latest && !asPlanned; due++) asPlanned = search.asPlannedBy(due, steps * plannedLook)

  let withMoves: Delivery | undefined
  const before = asPlanned?.due ?? latest + 1
  for (let due = earliest; due < before && !withMoves; due++) withMoves = search.withMovesBy(due, mostMoved, steps)

  const endOf = (): number => withMoves?.due ?? before
  const isOpen = (): boolean => [...search.cutShort].some((due) => due < endOf())
  if (isOpen()) {
    const found = deliveryByMoving(asked, withMoves ?? asPlanned)
    if (found && deliveryHolds(problem, others, found))
      withMoves = search.withMovesBy(found.due, mostMoved, steps) ?? found
  }
  return { asPlanned, withMoves, isExact: !search.isCutShort && !isOpen() }
}
