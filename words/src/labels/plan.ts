import type { QuoteLine, QuotePricePart } from '@vendange/core/plan'

/** The parts of a price, as the maker sees them. */
export const pricePartWords: Readonly<Record<QuotePricePart['of'], string>> = {
  ingredients: 'Ingredients',
  work: 'Work',
  packing: 'Packing',
  bevelling: 'Bevelling',
  stamp: 'Stamp',
  margin: 'Margin',
}

/** The lines of a price, as the client sees them. */
export const quoteLineWords: Readonly<Record<QuoteLine['of'], string>> = {
  bars: 'The bars',
  packing: 'Packing',
  bevelling: 'Bevelled edges',
  stamp: 'Your own stamp, made once',
}
