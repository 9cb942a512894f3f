import type { Day } from '../calendar'
import { roundTo } from '../units'
import type { Ingredient } from './ingredient'
import { isCounted, keyOfIngredient } from './ingredient'
import type { Lot } from './lots'
import { costOfLot, lotFault, oldestFirst } from './lots'

/** Where a price comes from, the surest first: what was paid, what the supplier lists, what somebody reckons. */
export const priceSources = ['lots', 'list', 'estimate'] as const
export type PriceSource = (typeof priceSources)[number]

/** What an ingredient costs where no lot says it. */
export interface ListPrice {
  /** Cents a kg, or each piece of what is counted; 0: not known. */
  readonly listCents: number
  /** Whether it is an estimate and no supplier's list. */
  readonly isListEstimate: boolean
}

/** What one thing costs, by its key: what is left of its lots in the order in which they are used, and what comes after. */
export interface PricedThing {
  readonly key: string
  /** What is left, g or pieces, at so many cents for each. */
  readonly lots: readonly { readonly amount: number; readonly unitCents: number }[]
  /** What goes beyond the lots costs as the newest delivery that has a price, else as listed; undefined: not known. */
  readonly beyond: { readonly unitCents: number; readonly source: PriceSource } | undefined
  /** Pieces for each bar, of packaging; 0 of all else. */
  readonly perBar: number
}

/** What everything in the stores costs. */
export type Prices = readonly PricedThing[]

/** A sum with the weakest of the sources that it comes from. */
export interface Cost {
  readonly cents: number
  readonly source: PriceSource
}

type PricedLot = Lot & { readonly ingredientId: string }

/**
 * What everything in the stores costs: prices stand there and nowhere else.
 *
 * @param day on which it would be used: a lot that has expired by then, or is not here, is passed over
 */
export function pricesOf(
  ingredients: readonly (Ingredient & ListPrice)[],
  lots: readonly PricedLot[],
  day: Day,
): Prices {
  const byKey = new Map<string, (Ingredient & ListPrice)[]>()
  for (const one of ingredients) byKey.set(keyOfIngredient(one), [...(byKey.get(keyOfIngredient(one)) ?? []), one])
  return [...byKey].map(([key, same]) => {
    const own = oldestFirst(lots.filter(({ ingredientId }) => same.some(({ id }) => id === ingredientId)))
    const priced = own.flatMap((lot) => {
      const cents = costOfLot(lot)
      return cents === undefined ? [] : [{ lot, unitCents: cents / lot.receivedAmount }]
    })
    const newest = priced.at(-1)
    const listed = same.find(({ listCents }) => listCents > 0)
    const perUnit = listed === undefined || isCounted(listed.kind) ? 1 : 1000
    return {
      key,
      lots: priced.flatMap(({ lot, unitCents }) =>
        lotFault(lot, day) === undefined ? [{ amount: lot.leftAmount, unitCents }] : [],
      ),
      beyond: newest
        ? { unitCents: newest.unitCents, source: 'lots' }
        : listed && {
            unitCents: listed.listCents / perUnit,
            source: listed.isListEstimate ? 'estimate' : 'list',
          },
      perBar: same.reduce((sum, { kind, perBar }) => sum + (kind === 'packaging' ? perBar : 0), 0),
    }
  })
}

/**
 * What an amount of something costs, from the oldest lot on.
 *
 * @param key as `ingredientKey` makes it
 * @param amount g, or pieces of what is counted
 * @returns undefined where nothing tells its price
 */
export function costOf(prices: Prices, key: string, amount: number): Cost | undefined {
  const priced = prices.find((one) => one.key === key)
  if (!priced) return undefined
  let [cents, missing] = [0, amount]
  for (const lot of priced.lots) {
    const taken = Math.min(lot.amount, missing)
    cents += taken * lot.unitCents
    missing -= taken
    if (missing <= 0) return { cents: roundTo(cents, 6), source: 'lots' }
  }
  if (!priced.beyond) return undefined
  return { cents: roundTo(cents + missing * priced.beyond.unitCents, 6), source: priced.beyond.source }
}

/** The weakest of some sources; undefined of none. */
export const weakestSource = (sources: readonly PriceSource[]): PriceSource | undefined =>
  priceSources.findLast((source) => sources.includes(source))

/**
 * What packing some bars costs, cents: what the stores keep for each bar, where they keep any and have a price for it;
 * else the workshop's own estimate.
 */
export function packingCost(prices: Prices, bars: number, estimateCentsPerBar: number): Cost {
  const pieces = prices.filter(({ perBar }) => perBar > 0)
  const costs = pieces.map(({ key, perBar }) => costOf(prices, key, perBar * bars))
  const known = costs.filter((one) => one !== undefined)
  const source = weakestSource(known.map((one) => one.source))
  if (source === undefined || known.length < costs.length)
    return { cents: bars * estimateCentsPerBar, source: 'estimate' }
  return { cents: known.reduce((sum, { cents }) => sum + cents, 0), source }
}
