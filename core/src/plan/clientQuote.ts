import type { QuoteOption, QuotePricePart } from './quote'
import type { TaxedPrice, TaxTerms } from './tax'
import { shareOfTax, taxedPrice } from './tax'

/** What a client sees of a price, line by line: never what an hour or an ingredient costs. */
export const quoteLineKinds = ['bars', 'packing', 'bevelling', 'stamp'] as const

export interface QuoteLine {
  readonly of: (typeof quoteLineKinds)[number]
  readonly cents: number
}

const lineOf: Readonly<Record<QuotePricePart['of'], QuoteLine['of']>> = {
  ingredients: 'bars',
  work: 'bars',
  margin: 'bars',
  tax: 'bars',
  packing: 'packing',
  bevelling: 'bevelling',
  stamp: 'stamp',
}

/** The price of a way to make an order as its client sees it; the lines add up to it. */
export function clientLines({ priceParts }: Pick<QuoteOption, 'priceParts'>): readonly QuoteLine[] {
  return quoteLineKinds.flatMap((of): readonly QuoteLine[] => {
    const cents = priceParts.reduce((sum, part) => sum + (lineOf[part.of] === of ? part.cents : 0), 0)
    return cents > 0 ? [{ of, cents }] : []
  })
}

/** What is asked for at the acceptance of a price, to a whole cent. @param share of what is paid, 0 to 1 */
export const depositAsked = (price: Pick<TaxedPrice, 'grossCents'>, share: number): number =>
  Math.round(price.grossCents * share)

/** What is left of a price once all but the work is paid. */
export interface QuoteEarnings {
  /** Ingredients, packing and the stamp, cents. */
  readonly spentCents: number
  /** For the work, with what is charged for bevelling and the margin, cents. */
  readonly leftCents: number
  /** Of it for each hour, cents; undefined where it takes none. */
  readonly leftAnHourCents: number | undefined
  /** All that it costs, the work at its rate among it, without tax, cents. */
  readonly costCents: number
  /** The least to ask, as the workshop states prices: for less the work is paid below its rate, cents. */
  readonly floorCents: number
  /** Of the price without tax what is left over its costs; below 0 it does not bring them in. 0 where it brings nothing. */
  readonly marginShare: number
}

const isSpent: readonly QuotePricePart['of'][] = ['ingredients', 'packing', 'stamp']

/** What an order brings for its hours, without tax. */
export function quoteEarnings(
  { priceParts, hours }: Pick<QuoteOption, 'priceParts' | 'hours'>,
  tax: TaxTerms,
): QuoteEarnings {
  const sum = (parts: QuoteOption['priceParts']): number => parts.reduce((all, { cents }) => all + cents, 0)
  const spentCents = sum(priceParts.filter(({ of }) => isSpent.includes(of)))
  const { netCents } = taxedPrice(sum(priceParts), tax)
  const leftCents = netCents - spentCents
  const costCents = sum(priceParts.filter(({ of }) => of !== 'margin' && of !== 'tax'))
  const stated = tax.isTaxIncluded ? 1 + shareOfTax(tax) : 1
  return {
    spentCents,
    leftCents,
    leftAnHourCents: hours > 0 ? Math.round(leftCents / hours) : undefined,
    costCents,
    floorCents: Math.ceil(costCents * stated),
    marginShare: netCents > 0 ? (netCents - costCents) / netCents : 0,
  }
}
