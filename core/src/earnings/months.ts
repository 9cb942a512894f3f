import type { Day } from '../calendar'
import { roundTo } from '../units'
import type { MadeBatch } from './costs'
import type { Earning, Period, SoldBars } from './earnings'
import { monthOf } from './earnings'

/** What came into the stores or went out of them on a day, cents at what it cost; out of them below 0. */
export interface StockMove {
  readonly day: Day
  readonly cents: number
}

/** A month of the workshop, cents. */
export interface MonthOfWork {
  /** "2027-03". */
  readonly month: string
  readonly takenCents: number
  readonly profitCents: number
  readonly hours: number
  /** What stood in the stores at its end, at what it cost. */
  readonly storesCents: number
  /** Bars on the racks and in boxes at its end, at what their ingredients cost. */
  readonly barsCents: number
}

/** The months from one to another, both among them. */
function monthsOf({ from, to }: Period): readonly string[] {
  const months: string[] = []
  for (let [year, month] = monthOf(from).split('-').map(Number) as [number, number]; ;) {
    const name = `${year}-${String(month).padStart(2, '0')}`
    if (name > monthOf(to)) return months
    months.push(name)
    if (month === 12) [year, month] = [year + 1, 1]
    else month += 1
  }
}

/** What bars of each pour came in when they were cut, and went when they were sold or lost: at what is in them. */
export function movesOfBars(batches: readonly MadeBatch[], sales: readonly SoldBars[]): readonly StockMove[] {
  const soldOf = new Map<string, SoldBars[]>()
  for (const sale of sales) soldOf.set(sale.batchId, [...(soldOf.get(sale.batchId) ?? []), sale])
  return batches.flatMap(({ batchId, cutDay, barsOut, barsLost, ingredientCents }): readonly StockMove[] => {
    const bars = barsOut - barsLost
    if (cutDay === null || bars <= 0) return []
    const each = ingredientCents / bars
    const gone = (soldOf.get(batchId) ?? []).map(({ day, bars: sold }) => ({ day, cents: -each * sold }))
    return [{ day: cutDay, cents: ingredientCents }, ...gone]
  })
}

/** Each month of a period: what it brought, and what stood in the stores and on the racks at its end. */
export function monthsOfWork(
  period: Period,
  earned: readonly Earning[],
  stores: readonly StockMove[],
  bars: readonly StockMove[],
): readonly MonthOfWork[] {
  const byMonth = new Map(earned.map((one) => [one.name, one]))
  const at = (moves: readonly StockMove[], month: string): number =>
    roundTo(
      moves.reduce((sum, { day, cents }) => (monthOf(day) <= month ? sum + cents : sum), 0),
      6,
    )
  return monthsOf(period).map((month) => {
    const { takenCents = 0, profitCents = 0, hours = 0 } = byMonth.get(month) ?? {}
    return { month, takenCents, profitCents, hours, storesCents: at(stores, month), barsCents: at(bars, month) }
  })
}
