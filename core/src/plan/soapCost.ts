import type { BatchPlan } from '../batch'
import type { IngredientKind, Prices, PriceSource } from '../stores'
import { costOf, packingCost, usesOfPlan, weakestSource } from '../stores'
import type { TaxTerms } from './tax'
import { taxedPrice } from './tax'

/** What a bar is reckoned with, beside what goes into it. */
export interface BarPricing {
  /** What an hour of a maker's work is reckoned at, cents. */
  readonly hourCents: number
  /** Rent, power, tools and what else all soaps share, for each hour of work, cents. */
  readonly sharedHourCents: number
  readonly packingCentsPerBar: number
  readonly bevelMinutesPerBar: number
  readonly stampMinutesPerBar: number
  /** What a bar usually costs in public, as the workshop states prices, cents. */
  readonly barCents: number
  /** Of it shops pay, and subscribers. */
  readonly shopShare: number
  readonly subscriberShare: number
}

/** What a soap is made by, as far as its cost goes. */
export interface CostedSoap {
  /** One for each of its pours. */
  readonly plans: readonly BatchPlan[]
  readonly bevelled: boolean
  readonly stamped: boolean
  /** Hours that a pour takes: set-up, preparing, pouring, cutting. */
  readonly hoursAPour: number
}

/** An ingredient's part in a bar; cents undefined where no price is known. */
export interface BarIngredient {
  readonly kind: IngredientKind
  /** Key of the fat or alkali; empty for what goes by its name. */
  readonly ref: string
  readonly name: string
  readonly cents: number | undefined
  readonly source: PriceSource | undefined
}

/** What would make a bar cheaper, and by how much, cents a bar. */
export type CostLever =
  | { readonly kind: 'cheaper'; readonly name: string; readonly share: number; readonly cents: number }
  | { readonly kind: 'bar_more'; readonly cents: number }
  | { readonly kind: 'sooner'; readonly minutes: number; readonly cents: number }

/** What a bar of a soap costs, cents, all of it from prices, rates and hours of the workshop. */
export interface SoapCost {
  readonly bars: number
  /** The dearest first; those without a price at the end. */
  readonly ingredients: readonly BarIngredient[]
  readonly ingredientCents: number
  readonly packing: { readonly cents: number; readonly source: PriceSource }
  readonly minutes: number
  readonly workCents: number
  /** Ingredients, packing and work; what has no price is left out of it. */
  readonly costCents: number
  /** The weakest source of a price in it. */
  readonly source: PriceSource
  /** What changes it most, the most first. */
  readonly levers: readonly CostLever[]
}

/** What an hour costs in all, cents: the work, and its part of what all soaps share. */
export const hourCostCents = ({
  hourCents,
  sharedHourCents,
}: Pick<BarPricing, 'hourCents' | 'sharedHourCents'>): number => hourCents + sharedHourCents

/** What is tried on the levers: a price that falls by so much, a pour that is done so much sooner. */
const tried = { cheaper: 0.1, minutes: 30 } as const
/** So many levers are told. */
const mostLevers = 3

/** What goes into all of its pours, by what it is. */
function ingredientsOf(plans: readonly BatchPlan[]): ReadonlyMap<string, BarIngredient & { readonly amount: number }> {
  const all = new Map<string, BarIngredient & { readonly amount: number }>()
  for (const { key, kind, name, amount } of plans.flatMap(usesOfPlan)) {
    const ref = kind === 'fat' || kind === 'alkali' ? key.slice(kind.length + 1) : ''
    const thing = { kind, ref, name, cents: undefined, source: undefined }
    all.set(key, { ...thing, amount: (all.get(key)?.amount ?? 0) + amount })
  }
  return all
}

/**
 * What a bar of a soap costs as it is designed: its ingredients at the prices of the stores, its packing, and its
 * minutes at the rate of an hour, shared costs among it.
 *
 * @returns undefined where it gives no bars
 */
export function soapCost(
  { plans, bevelled, stamped, hoursAPour }: CostedSoap,
  prices: Prices,
  pricing: BarPricing,
): SoapCost | undefined {
  const bars = plans.reduce((sum, { barsPlanned }) => sum + barsPlanned, 0)
  if (bars <= 0) return undefined
  const ingredients = [...ingredientsOf(plans)]
    .map(([key, { amount, ...thing }]): BarIngredient => {
      const cost = costOf(prices, key, amount)
      return { ...thing, cents: cost && cost.cents / bars, source: cost?.source }
    })
    .sort((a, b) => (b.cents ?? -1) - (a.cents ?? -1) || a.name.localeCompare(b.name))
  const ingredientCents = ingredients.reduce((sum, { cents }) => sum + (cents ?? 0), 0)
  const packed = packingCost(prices, bars, pricing.packingCentsPerBar)
  const packing = { cents: packed.cents / bars, source: packed.source }
  const batchMinutes = plans.length * hoursAPour * 60
  const minutes =
    batchMinutes / bars + (bevelled ? pricing.bevelMinutesPerBar : 0) + (stamped ? pricing.stampMinutesPerBar : 0)
  const minuteCents = hourCostCents(pricing) / 60
  const loaves = plans.reduce((sum, { mouldCount, moulds }) => {
    return sum + (moulds?.reduce((all, { count }) => all + count, 0) ?? mouldCount)
  }, 0)
  // What is spread over the bars of a batch: more of them share it.
  const shared = ingredientCents + (batchMinutes / bars) * minuteCents
  const levers: readonly CostLever[] = [
    ...ingredients
      .slice(0, mostLevers)
      .flatMap(({ name, cents = 0 }): readonly CostLever[] => [
        { kind: 'cheaper', name, share: tried.cheaper, cents: cents * tried.cheaper },
      ]),
    { kind: 'bar_more', cents: shared * (1 - bars / (bars + loaves)) },
    { kind: 'sooner', minutes: tried.minutes, cents: (plans.length * tried.minutes * minuteCents) / bars },
  ]
  return {
    bars,
    ingredients,
    ingredientCents,
    packing,
    minutes,
    workCents: minutes * minuteCents,
    costCents: ingredientCents + packing.cents + minutes * minuteCents,
    source: weakestSource([packing.source, ...ingredients.flatMap(({ source }) => source ?? [])]) ?? 'estimate',
    levers: [...levers]
      .filter(({ cents }) => cents > 0)
      .sort((a, b) => b.cents - a.cents)
      .slice(0, mostLevers),
  }
}

export const pricedChannels = ['Web', 'Stalls', 'Subscribers', 'Shops'] as const
export type PricedChannel = (typeof pricedChannels)[number]

/** What a bar brings that is sold one way. */
export interface ChannelEarning {
  readonly channel: PricedChannel
  /** As the workshop states prices, cents. */
  readonly priceCents: number
  /** Over all its costs, without tax, cents; below 0 it does not bring them in. */
  readonly profitCents: number
  /** Of the price without tax; 0 where it brings nothing. */
  readonly marginShare: number
  /** Left for each hour of work once all else is paid, cents; undefined where it takes none. */
  readonly hourCents: number | undefined
}

/** What a bar costs that is sold one way, as the workshop states prices, cents. @param barCents in public */
export function channelPrice(
  channel: PricedChannel,
  barCents: number,
  { shopShare, subscriberShare }: Pick<BarPricing, 'shopShare' | 'subscriberShare'>,
): number {
  const share = channel === 'Shops' ? shopShare : channel === 'Subscribers' ? subscriberShare : 1
  return Math.round(barCents * share)
}

/** What a bar brings by each way it may be sold. @param barCents its price in public */
export function channelEarnings(
  cost: Pick<SoapCost, 'costCents' | 'workCents' | 'minutes'>,
  barCents: number,
  pricing: Pick<BarPricing, 'shopShare' | 'subscriberShare'>,
  tax: TaxTerms,
): readonly ChannelEarning[] {
  return pricedChannels.map((channel) => {
    const priceCents = channelPrice(channel, barCents, pricing)
    const { netCents } = taxedPrice(priceCents, tax)
    const profitCents = netCents - cost.costCents
    return {
      channel,
      priceCents,
      profitCents,
      marginShare: netCents > 0 ? profitCents / netCents : 0,
      hourCents: cost.minutes > 0 ? ((profitCents + cost.workCents) / cost.minutes) * 60 : undefined,
    }
  })
}
