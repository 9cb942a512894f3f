import type { Day } from '../calendar'
import type { QuoteSettings } from './quote'
import { bevellingCents } from './quote'

/** Something charged on an order beside its quoted price. */
export interface OrderCharge {
  readonly day: Day
  /** "Bevelling 24 bars of lot 270308-1". */
  readonly what: string
  readonly cents: number
}

/**
 * What bevelling bars of an order adds to it, cents; undefined where nobody is charged for it, or its quote has it already.
 *
 * @param bars bars that were not bevelled before
 */
export function bevellingCharge(
  bars: number,
  order: { readonly bevelled: boolean },
  pricing: Pick<QuoteSettings, 'bevelCentsPerBar'>,
): number | undefined {
  const cents = Math.round(bevellingCents(bars, pricing))
  return order.bevelled || cents <= 0 ? undefined : cents
}

/** What an order comes to: its price, and what was charged beside it; and what of it is still to be paid, cents. */
export function totalOfOrder(order: {
  readonly priceCents: number | null
  readonly charges: readonly Pick<OrderCharge, 'cents'>[]
  readonly depositCents: number
}): { readonly allCents: number; readonly openCents: number } {
  const allCents = order.charges.reduce((sum, { cents }) => sum + cents, order.priceCents ?? 0)
  return { allCents, openCents: allCents - order.depositCents }
}
