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
  const eachOf = new Map<string, number>()
  const moves = batches.flatMap(({ batchId, cutDay, barsOut, barsLost, ingredientCents }): readonly StockMove[] => {
    const bars = barsOut - barsLost
    if (cutDay === null || bars <= 0) return []
    eachOf.set(batchId, ingredientCents / bars)
    return [{ day: cutDay, cents: ingredientCents }]
  })
  const gone = sales.map(({ batchId, day, bars }): StockMove => ({ day, cents: -bars * (eachOf.get(batchId) ?? 0) }))
  return [...moves, ...gone]
}

/** What had come in and not gone out by the end of a month. */
function standingAt(moves: readonly StockMove[]): (month: string) => number {
  const byMonth = new Map<string, number>()
  for (const { day, cents } of moves) byMonth.set(monthOf(day), (byMonth.get(monthOf(day)) ?? 0) + cents)
  const months = [...byMonth]
  return (month) =>
    roundTo(
      months.reduce((sum, [moved, cents]) => (moved <= month ? sum + cents : sum), 0),
      6,
    )
}

/** Each month of a period: what it brought, and what stood in the stores and on the racks at its end. */
export function monthsOfWork(
  period: Period,
  earned: readonly Earning[],
  stores: readonly StockMove[],
  bars: readonly StockMove[],
): readonly MonthOfWork[] {
  const byMonth = new Map(earned.map((one) => [one.name, one]))
  const [storesAt, barsAt] = [standingAt(stores), standingAt(bars)]
  return monthsOf(period).map((month) => {
    const { takenCents = 0, profitCents = 0, hours = 0 } = byMonth.get(month) ?? {}
    return { month, takenCents, profitCents, hours, storesCents: storesAt(month), barsCents: barsAt(month) }
  })
}
