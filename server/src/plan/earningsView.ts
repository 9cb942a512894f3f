import type { EarningsQuery, EarningsView } from '@vendange/contract'
import { earningInAll, earningsBy, monthsOfWork, movesOfBars, yieldsBySoap } from '@vendange/core/earnings'
import { packingCost } from '@vendange/core/stores'
import { pricesOn, readStock } from '../db/storesRow'
import { readWorkshop } from '../db/workshopRow'
import type { ReadingContext } from '../parts/context'
import { ledgerOf } from './ledger'

/** What was earned in a period: by soap, collection, channel or order, month by month, and what came of its pours. */
export function earningsView(context: ReadingContext): (query: EarningsQuery) => Promise<EarningsView> {
  const readLedger = ledgerOf(context)
  return async ({ from, to, by }) => {
    const { read } = context.database
    const { pricing, quoting, timeZone } = await readWorkshop(read)
    const today = context.clock.today(timeZone)
    const ledger = await readLedger(today)
    const packing = packingCost(pricesOn(today, await readStock(read)), 1, pricing.packingCentsPerBar)
    const rates = {
      hourCents: pricing.hourCents,
      sharedHourCents: pricing.sharedHourCents,
      packingCents: packing.cents,
    }
    const period = { from, to }
    const months = earningsBy('month', ledger, period, rates, quoting)
    const rows = by === 'month' ? months : earningsBy(by, ledger, period, rates, quoting)
    return {
      rates,
      rows,
      inAll: earningInAll(months),
      months: monthsOfWork(period, months, ledger.storesMoves, movesOfBars(ledger.batches, ledger.sales)),
      yields: yieldsBySoap(ledger.batches, period),
      untimedPours: ledger.batches.filter(
        ({ benchHours, pourDay }) => benchHours === null && from <= pourDay && pourDay <= to,
      ).length,
    }
  }
}
