import type { Day } from '../calendar'
import type { TaxTerms } from './tax'
import { taxedPrice } from './tax'
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

/**
 * What an order comes to: its price, what was charged beside it and the tax on both; and what of it is still to be paid,
 * cents.
 *
 * @param order its price and charges as the workshop states prices
 */
export function totalOfOrder(
  order: {
    readonly priceCents: number | null
    readonly charges: readonly Pick<OrderCharge, 'cents'>[]
    readonly depositCents: number
  },
  tax: TaxTerms,
): { readonly taxCents: number; readonly allCents: number; readonly openCents: number } {
  const statedCents = order.charges.reduce((sum, { cents }) => sum + cents, order.priceCents ?? 0)
  const { taxCents, grossCents } = taxedPrice(statedCents, tax)
  return { taxCents, allCents: grossCents, openCents: grossCents - order.depositCents }
}
