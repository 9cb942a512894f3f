import { quantity, sentence } from '@vendange/core/findings'
import { mostListed } from '@vendange/contract'
import type { AllotmentView, LoafSummary, NewAllotment, NewSale, SalesTaken } from '@vendange/contract'
import { allot, freeBarsOf, unsoldBars } from '@vendange/core/loaf'
import { desc, eq, sql } from 'drizzle-orm'
import type { Reader, Transaction } from '../db/database'
import { appendLoafEvent, readLoaves } from '../db/loafRow'
import { knownMaker } from '../db/makerRow'
import { batches, loafEvents, loaves } from '../db/schema'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { unprocessable } from '../parts/problems'

export interface AllotmentService {
  /** Sets bars of a soap aside for somebody, of the loaves released first. @throws 422 where there are not enough */
  allot(wanted: NewAllotment, makerId: string): Promise<AllotmentView>
  /** Writes what was sold into the loaves it came from; a sale that is known already is left out. @throws 422 */
  takeSales(sales: readonly NewSale[], makerId: string): Promise<SalesTaken>
  /** Loaves of which bars are kept as samples, the newest {@link mostListed} at the most. */
  kept(): Promise<readonly LoafSummary[]>
}

/** Loaves of a soap that are not done with. */
export async function loavesOfDesign(reader: Reader, designId: string): Promise<readonly LoafSummary[]> {
  const rows = await reader
    .select({ id: loaves.id })
    .from(loaves)
    .innerJoin(batches, eq(loaves.batchId, batches.id))
    .where(eq(batches.designId, designId))
  return readLoaves(
    reader,
    rows.map(({ id }) => id),
  )
}

async function isKnownSale(reader: Reader, saleId: string): Promise<boolean> {
  const [found] = await reader
    .select({ id: loafEvents.id })
    .from(loafEvents)
    .where(eq(sql`"happening" ->> '$.saleId'`, saleId))
    .limit(1)
  return found !== undefined
}

export function allotmentService({ database, clock, newId }: Context): AllotmentService {
  async function takeSale(
    transaction: Transaction,
    sale: NewSale,
    stamp: { readonly at: string; readonly makerId: string },
  ): Promise<void> {
    const own = (await loavesOfDesign(transaction, sale.designId))
      .filter(({ lotCode }) => sale.lotCode === '' || lotCode === sale.lotCode)
      .filter(({ state }) => unsoldBars(state, sale.channel) > 0)
      .reverse()
    let left = sale.bars
    for (const loaf of own) {
      const bars = Math.min(left, unsoldBars(loaf.state, sale.channel))
      if (bars === 0) break
      const { saleId, day, channel, buyer, priceCents } = sale
      await appendLoafEvent(
        transaction,
        loaf.id,
        { type: 'sold', saleId, day, channel, bars, buyer, priceCents },
        stamp,
      )
      left -= bars
    }
    if (left > 0)
      throw unprocessable(
        sentence('sale_not_set_aside', {
          sale: sale.saleId,
          day: quantity.day(sale.day),
          bars: sale.bars,
          missing: left,
          channel: sale.channel,
        }),
        [{ field: 'sales', message: sentence('sale_set_aside_first', { sale: sale.saleId, missing: left }) }],
      )
  }

  return {
    kept: async () => {
      const keeps = sql`EXISTS (SELECT 1 FROM json_each(${loaves.state}, '$.channels')
        WHERE value ->> '$.channel' = 'Kept' AND value ->> '$.allotted' > 0)`
      const rows = await database.read
        .select({ id: loaves.id })
        .from(loaves)
        .where(keeps)
        .orderBy(desc(loaves.lotCode))
        .limit(mostListed)
      return readLoaves(
        database.read,
        rows.map(({ id }) => id),
      )
    },

    allot: (wanted, makerId) =>
      database.write(async (transaction) => {
        const maker = await knownMaker(transaction, makerId)
        const own = (await loavesOfDesign(transaction, wanted.designId)).filter(
          ({ state }) => state.status === 'released',
        )
        const taken = allot(own, wanted.bars)
        if (!taken) {
          const free = freeBarsOf(own)
          const message = sentence('bars_free', { free })
          throw unprocessable(message, [{ field: 'bars', message }])
        }
        const { channel, who, orderId } = wanted
        const allotmentId = newId()
        const day = clock.today((await readWorkshop(transaction)).timeZone)
        for (const { loaf, bars } of taken)
          await appendLoafEvent(
            transaction,
            loaf.id,
            { type: 'allotted', day, allotmentId, bars, channel, who, orderId },
            { at: clock.now().toISOString(), makerId: maker },
          )
        return { allotmentId, lots: taken.map(({ loaf, bars }) => ({ lotCode: loaf.lotCode, bars })) }
      }),

    takeSales: (sales, makerId) =>
      database.write(async (transaction) => {
        const stamp = { at: clock.now().toISOString(), makerId: await knownMaker(transaction, makerId) }
        let [taken, known] = [0, 0]
        for (const sale of sales)
          if (await isKnownSale(transaction, sale.saleId)) known += 1
          else {
            await takeSale(transaction, sale, stamp)
            taken += 1
          }
        return { taken, known }
      }),
  }
}
