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

/** Of a price without tax; 0 where none is charged. */
export const shareOfTax = ({ taxName, taxShare }: Pick<TaxTerms, 'taxName' | 'taxShare'>): number =>
  taxName.trim() === '' ? 0 : taxShare

/**
 * A price with its tax, to a whole cent.
 *
 * @param statedCents as the workshop states prices: with the tax in them or without, cents
 */
export function taxedPrice(statedCents: number, tax: TaxTerms): TaxedPrice {
  const share = shareOfTax(tax)
  if (!tax.isTaxIncluded) {
    const taxCents = Math.round(statedCents * share)
    return { netCents: statedCents, taxCents, grossCents: statedCents + taxCents }
  }
  const netCents = Math.round(statedCents / (1 + share))
  return { netCents, taxCents: statedCents - netCents, grossCents: statedCents }
}
