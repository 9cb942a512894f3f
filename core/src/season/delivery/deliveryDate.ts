import type { Placement, SeasonProblem } from '../problem/seasonProblem'
import type { Delivery } from './delivery'
import { deliveryHolds } from './delivery'
import { deliveryByReplan } from './deliveryByReplan'
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

/** Effort of the whole re-plan that follows a search that was cut short. */
const replanEffort = 0.1
/** A quick look takes this share of the steps of a long one. */
const quickLook = 10
/** A look that moves nobody is cheap: it may take so many times the steps. */
const plannedLook = 10

/**
 * The earliest day on which some wished batches can be delivered while every other batch keeps its promise: first with
 * all the others where they stand, then with up to `mostMoved` of them moved to other days on which they are as late as
 * before or less, fewest moves first. Due days are tried one after the other; for each, the ways to place the batches
 * are searched in depth, up to `steps`, a batch in the way leaving for another day. Where that was cut short, the whole
 * season is planned again for an earlier day.
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
  const search = new DeliverySearch(problem, others, wished, pinned)
  const { earliest, latest } = search
  if (!Number.isFinite(earliest)) return { asPlanned: undefined, withMoves: undefined, isExact: true }

  let asPlanned: Delivery | undefined
  for (let due = earliest; due <= latest && !asPlanned; due++) {
    const pours = search.asPlannedBy(due, steps * plannedLook)
    if (pours) asPlanned = { due, pours, moved: [] }
  }

  // A quick look at each day first.
  let withMoves: Delivery | undefined
  const before = asPlanned?.due ?? latest + 1
  for (let due = earliest; due < before && !withMoves; due++)
    withMoves = search.withMovesBy(due, mostMoved, steps / quickLook)
  const endOf = (): number => withMoves?.due ?? before
  const isOpen = (): boolean => [...search.cutShort].some((due) => due < endOf())

  // Where that was cut short, the whole season is planned again, which finds what needs more moves than can be looked at
  // one by one; then a long look at that day, for fewer moves.
  const hasReplanned = isOpen()
  if (hasReplanned) {
    const replanned = deliveryByReplan(problem, others, wished, pinned, replanEffort)
    if (replanned && replanned.due < endOf() && deliveryHolds(problem, others, replanned))
      withMoves = search.withMovesBy(replanned.due, mostMoved, steps) ?? replanned
  }

  // A long look at the days before it, until some in a row give nothing. A re-plan has had its look at them already.
  const longLooks = hasReplanned ? 1 : 2
  let inVain = 0
  for (let due = endOf() - 1; due >= earliest && inVain < longLooks; due--) {
    if (!search.cutShort.has(due)) continue
    const earlier = search.withMovesBy(due, mostMoved, steps)
    if (earlier) withMoves = earlier
    inVain = earlier ? 0 : inVain + 1
  }
  return { asPlanned, withMoves, isExact: !search.isCutShort && !isOpen() }
}
