import type { EarningGroup } from '@vendange/core/earnings'
import type { CostLever, PricedChannel, QuoteLine, QuotePricePart } from '@vendange/core/plan'
import type { PriceSource } from '@vendange/core/stores'

/** Where a price comes from that no lot told. */
export const priceSourceWords: Readonly<Record<PriceSource, string>> = {
  lots: 'from its lots',
  list: 'supplier’s list',
  estimate: 'estimate',
}

/** The parts of a price, as the maker sees them. */
export const pricePartWords: Readonly<Record<QuotePricePart['of'], string>> = {
  ingredients: 'Ingredients',
  work: 'Work',
  packing: 'Packing',
  bevelling: 'Bevelling',
  stamp: 'Stamp',
  margin: 'Margin',
  tax: 'Tax in the price',
}

/** The lines of a price, as the client sees them. */
export const quoteLineWords: Readonly<Record<QuoteLine['of'], string>> = {
  bars: 'The bars',
  packing: 'Packing',
  bevelling: 'Bevelled edges',
  stamp: 'Your own stamp, made once',
}

/** Where a bar is sold: "… more on the web". */
export const soldWords: Readonly<Record<PricedChannel, string>> = {
  Web: 'on the web',
  Stalls: 'at the stalls',
  Subscribers: 'to subscribers',
  Shops: 'through shops',
}

/** What would make a bar cheaper. */
export function leverWords(lever: CostLever): string {
  switch (lever.kind) {
    case 'cheaper':
      return `${lever.name} cheaper by ${Math.round(lever.share * 100)} %`
    case 'bar_more':
      return 'one bar more out of each loaf'
    case 'sooner':
      return `${lever.minutes} minutes less for each pour`
  }
}

export const earningGroupWords: Readonly<Record<EarningGroup, string>> = {
  soap: 'Soap',
  collection: 'Collection',
  channel: 'Channel',
  order: 'Order',
  month: 'Month',
}
