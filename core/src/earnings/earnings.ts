import type { Day } from '../calendar'
import type { SaleChannel } from '../loaf'
import type { TaxTerms } from '../plan'
import { taxedPrice } from '../plan'
import { roundTo } from '../units'
import type { BarCosts, CostRates, MadeBatch } from './costs'
import { costsOfBar } from './costs'

/** Bars that were sold at once. */
export interface SoldBars {
  readonly batchId: string
  readonly day: Day
  readonly channel: SaleChannel
  /** Whose order they were for; empty: nobody's. */
  readonly order: string
  readonly bars: number
  /** For each bar, as the workshop states prices, cents; null: not known. */
  readonly priceCents: number | null
}

/** What was charged on an order beside its bars. */
export interface ChargedOrder {
  readonly day: Day
  readonly order: string
  readonly cents: number
}

/** All that is earned by: what was made, sold and charged. */
export interface Ledger {
  readonly batches: readonly MadeBatch[]
  readonly sales: readonly SoldBars[]
  readonly charges: readonly ChargedOrder[]
}

export const earningGroups = ['soap', 'collection', 'channel', 'order', 'month'] as const
export type EarningGroup = (typeof earningGroups)[number]

/** What some bars brought and cost, cents; money without tax. */
export interface Earning {
  readonly name: string
  readonly bars: number
  /** Of them those sold at a price nobody wrote down: they brought nothing here. */
  readonly barsWithoutPrice: number
  readonly takenCents: number
  readonly ingredientCents: number
  readonly packingCents: number
  readonly workCents: number
  readonly sharedCents: number
  readonly hours: number
  readonly profitCents: number
  /** Left for each hour of work once all else is paid; null where it took none. */
  readonly perHourCents: number | null
  /** Whether something that went in has no price: its cost is more than is told. */
  readonly lacksPrices: boolean
}

type Sum = Omit<Earning, 'name' | 'profitCents' | 'perHourCents'>
/** What adds up in place: a record of many years has tens of thousands of sales. */
type Adding = { -readonly [K in keyof Sum]: Sum[K] }
const nothing = (): Adding => ({
  bars: 0,
  barsWithoutPrice: 0,
  takenCents: 0,
  ingredientCents: 0,
  packingCents: 0,
  workCents: 0,
  sharedCents: 0,
  hours: 0,
  lacksPrices: false,
})

function add(sum: Adding, { bars, priceCents }: SoldBars, cost: BarCosts, tax: TaxTerms, lacks: boolean): void {
  sum.bars += bars
  if (priceCents === null) sum.barsWithoutPrice += bars
  else if (priceCents > 0) sum.takenCents += taxedPrice(bars * priceCents, tax).netCents
  sum.ingredientCents += bars * cost.ingredientCents
  sum.packingCents += bars * cost.packingCents
  sum.workCents += bars * cost.workCents
  sum.sharedCents += bars * cost.sharedCents
  sum.hours += bars * cost.hours
  sum.lacksPrices ||= lacks
}

function earningOf(name: string, sum: Sum): Earning {
  const { takenCents, ingredientCents, packingCents, workCents, sharedCents, hours } = sum
  const profitCents = takenCents - ingredientCents - packingCents - workCents - sharedCents
  return {
    ...sum,
    name,
    hours: roundTo(hours, 6),
    profitCents: roundTo(profitCents, 6),
    perHourCents: hours > 0 ? roundTo((profitCents + workCents) / hours, 6) : null,
  }
}

/** The month of a day: "2027-03". */
export const monthOf = (day: Day): string => day.slice(0, 7)

/** Which days are looked at, both among them. */
export interface Period {
  readonly from: Day
  readonly to: Day
}
const isIn = (day: Day, { from, to }: Period): boolean => from <= day && day <= to

/** What a sale counts for; empty: nothing. */
function nameIn(group: EarningGroup, sale: SoldBars, { soap, collection }: MadeBatch): string {
  switch (group) {
    case 'soap':
      return soap
    case 'collection':
      return collection
    case 'channel':
      return sale.channel
    case 'order':
      return sale.order
    case 'month':
      return monthOf(sale.day)
  }
}

/**
 * What was earned in a period, by soap, collection, channel, order or month, what brought most first (months in their
 * order). A bar costs its part of the pour that it came from, whenever that was; it brings what it was sold for, less
 * the tax. What was charged on orders beside their bars counts for the order.
 */
export function earningsBy(
  group: EarningGroup,
  { batches, sales, charges }: Ledger,
  period: Period,
  rates: CostRates,
  tax: TaxTerms,
): readonly Earning[] {
  const batchOf = new Map(batches.map((batch) => [batch.batchId, { batch, cost: costsOfBar(batch, rates) }]))
  const sums = new Map<string, Adding>()
  const sumOf = (name: string): Adding => {
    const sum = sums.get(name) ?? nothing()
    sums.set(name, sum)
    return sum
  }
  for (const sale of sales) {
    if (!isIn(sale.day, period)) continue
    const made = batchOf.get(sale.batchId)
    if (!made) continue
    const name = nameIn(group, sale, made.batch)
    if (name !== '') add(sumOf(name), sale, made.cost, tax, made.batch.lacksPrices)
  }
  for (const { day, order, cents } of charges) {
    if (!isIn(day, period)) continue
    const name = { soap: '', collection: '', channel: 'Orders', order, month: monthOf(day) }[group]
    if (name !== '') sumOf(name).takenCents += taxedPrice(cents, tax).netCents
  }
  const rows = [...sums].map(([name, sum]) => earningOf(name, sum))
  return group === 'month'
    ? rows.sort((a, b) => a.name.localeCompare(b.name))
    : rows.sort((a, b) => b.profitCents - a.profitCents || a.name.localeCompare(b.name))
}

const summed = [
  'bars',
  'barsWithoutPrice',
  'takenCents',
  'ingredientCents',
  'packingCents',
  'workCents',
  'sharedCents',
  'hours',
] as const

/** Several of them together. */
export function earningInAll(rows: readonly Earning[]): Earning {
  const sum = nothing()
  for (const row of rows) {
    for (const part of summed) sum[part] += row[part]
    sum.lacksPrices ||= row.lacksPrices
  }
  return earningOf('', sum)
}
