import type { SaleChannel } from '../loaf'

/** Somebody who waits for bars of a collection or an order. */
export interface GivingWish {
  readonly key: string
  readonly channel: SaleChannel
  /** Bars of all soaps together. */
  readonly wanted: number
  /** Of them set aside already. */
  readonly aside: number
  /** Whether it is for an early moment: that comes after the orders and before the channels. @default false */
  readonly isEarly?: boolean
}

/** A soap of which bars are there. */
export interface SoapToGive {
  readonly designId: string
  /** Bars that are released and nobody's yet. */
  readonly free: number
}

/** Bars of a soap for somebody. */
export interface ProposedGift {
  readonly designId: string
  readonly key: string
  readonly bars: number
}

/** Orders are promised; whoever may buy early comes before the drop, and what stands on a table comes last. A rule of the house. */
export const givingOrder: readonly SaleChannel[] = ['Orders', 'Subscribers', 'Web', 'Shops', 'Stalls', 'Kept']

/** What each of so many gets of some bars: whole bars, one more for the first ones where they do not divide. */
export const evenShare = (bars: number, among: number, at: number): number =>
  Math.floor(bars / among) + (at < bars % among ? 1 : 0)

/** Spreads bars over soaps in proportion to what each has, whole bars, the largest rest first. */
function spread(bars: number, free: readonly number[]): readonly number[] {
  const all = free.reduce((sum, one) => sum + one, 0)
  if (all === 0 || bars <= 0) return free.map(() => 0)
  const exact = free.map((one) => (one * Math.min(bars, all)) / all)
  const given = exact.map(Math.floor)
  let left = Math.min(bars, all) - given.reduce((sum, one) => sum + one, 0)
  const byRest = exact
    .map((one, at) => ({ at, rest: one - Math.floor(one) }))
    .sort((a, b) => b.rest - a.rest || a.at - b.at)
  for (const { at } of byRest)
    if (left > 0 && given[at]! < free[at]!) {
      given[at]! += 1
      left -= 1
    }
  return given
}

/**
 * Proposes who gets how many bars of what: orders, then early moments, then channels in {@link givingOrder}, each what is still wanted as far as there is, of every
 * soap in proportion to what is left of it.
 */
export function proposeGivingOut(soaps: readonly SoapToGive[], wishes: readonly GivingWish[]): readonly ProposedGift[] {
  const free = soaps.map((soap) => soap.free)
  const rank = ({ channel, isEarly = false }: GivingWish): number =>
    givingOrder.indexOf(channel) + (channel === 'Orders' ? 0 : isEarly ? 1 : givingOrder.length)
  const inOrder = [...wishes].sort((a, b) => rank(a) - rank(b))
  return inOrder.flatMap(({ key, wanted, aside }) => {
    const given = spread(Math.max(0, wanted - aside), free)
    return soaps.flatMap(({ designId }, at) => {
      const bars = given[at]!
      free[at]! -= bars
      return bars > 0 ? [{ designId, key, bars }] : []
    })
  })
}
