import type { QuoteOption, QuotePricePart } from './quote'

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

/** How a workshop states its prices. */
export interface TaxTerms {
  /** "VAT"; empty: none is charged. */
  readonly taxName: string
  /** Of the price without it. */
  readonly taxShare: number
  /** Whether prices are told with the tax in them; else it is put on top. */
  readonly isTaxIncluded: boolean
}

export interface TaxedPrice {
  /** Without the tax, cents. */
  readonly netCents: number
  readonly taxCents: number
  /** What is paid, cents. */
  readonly grossCents: number
}

/**
 * A price with its tax, to a whole cent.
 *
 * @param statedCents as the workshop states prices: with the tax in them or without, cents
 */
export function taxedPrice(statedCents: number, { taxName, taxShare, isTaxIncluded }: TaxTerms): TaxedPrice {
  const share = taxName.trim() === '' ? 0 : taxShare
  if (!isTaxIncluded) {
    const taxCents = Math.round(statedCents * share)
    return { netCents: statedCents, taxCents, grossCents: statedCents + taxCents }
  }
  const netCents = Math.round(statedCents / (1 + share))
  return { netCents, taxCents: statedCents - netCents, grossCents: statedCents }
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
}

const isSpent: readonly QuotePricePart['of'][] = ['ingredients', 'packing', 'stamp']

/** What an order brings for its hours, without tax. */
export function quoteEarnings(
  { priceParts, hours }: Pick<QuoteOption, 'priceParts' | 'hours'>,
  tax: TaxTerms,
): QuoteEarnings {
  const sum = (parts: QuoteOption['priceParts']): number => parts.reduce((all, { cents }) => all + cents, 0)
  const spentCents = sum(priceParts.filter(({ of }) => isSpent.includes(of)))
  const leftCents = taxedPrice(sum(priceParts), tax).netCents - spentCents
  return { spentCents, leftCents, leftAnHourCents: hours > 0 ? Math.round(leftCents / hours) : undefined }
}
