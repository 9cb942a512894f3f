import { sentence } from '@vendange/core/findings'
import type { NewShopOffer, ShopOffer, ShopSale } from '@vendange/contract'
import { eq, gt, sql } from 'drizzle-orm'
import { barsToOffer } from '@vendange/core/loaf'
import type { Database, Reader } from '../db/database'
import { shopOffers, shopSales } from '../db/schema'
import { unprocessable } from '../parts/problems'
import { sellableLoaves } from './allotmentService'

/** A web shop that ships with the app: it takes a drop, sells it, and reports what it sold (docs/formats/web-shop.md). */
export interface ShopStandIn {
  offers(): Promise<readonly ShopOffer[]>
  /** Puts bars on sale, over those that are there. @throws 422 where that many are not set aside for the web */
  offer(drop: NewShopOffer): Promise<ShopOffer>
  /** A made-up buyer buys. @throws 422 where that many are not on offer */
  buy(designId: string, bars: number, buyer: string, day: string): Promise<ShopSale>
  /** Sales after a number. */
  sales(after: number): Promise<readonly ShopSale[]>
}

const saleIdStart = 'shop-'

export function shopStandIn(database: Database): ShopStandIn {
  const reported = ({ number, designId, bars, buyer, day, priceCents }: Omit<ShopSale, 'saleId'>): ShopSale => ({
    saleId: `${saleIdStart}${number}`,
    number,
    designId,
    bars,
    buyer,
    day,
    priceCents,
  })
  const offersIn = (reader: Reader) =>
    reader
      .select({
        designId: shopOffers.designId,
        name: shopOffers.name,
        priceCents: shopOffers.priceCents,
        offered: shopOffers.offered,
        sold: sql<number>`coalesce(sum(${shopSales.bars}), 0)`,
        reported: sql<number>`coalesce(sum(CASE WHEN EXISTS (SELECT 1 FROM loaf_events
          WHERE "happening" ->> '$.saleId' = ${saleIdStart} || ${shopSales.number}) THEN ${shopSales.bars} END), 0)`,
      })
      .from(shopOffers)
      .leftJoin(shopSales, eq(shopSales.designId, shopOffers.designId))
      .groupBy(shopOffers.designId)
  const offers = async (): Promise<readonly ShopOffer[]> => offersIn(database.read)
  return {
    offers,
    offer: ({ designId, name, bars, priceCents }) =>
      database.write(async (transaction) => {
        const before = (await offersIn(transaction)).find((one) => one.designId === designId)
        const free = Math.max(0, barsToOffer(await sellableLoaves(transaction, designId), before))
        if (bars > free) {
          const message = sentence('offer_over_aside', { free })
          throw unprocessable(message, [{ field: 'bars', message }])
        }
        await transaction
          .insert(shopOffers)
          .values({ designId, name, offered: bars, priceCents })
          .onConflictDoUpdate({
            target: shopOffers.designId,
            set: { name, priceCents, offered: sql`${shopOffers.offered} + ${bars}` },
          })
        const found = (await offersIn(transaction)).find((one) => one.designId === designId)
        if (!found) throw new Error('Expected the offer that was just made')
        return found
      }),
    buy: (designId, bars, buyer, day) =>
      database.write(async (transaction) => {
        const offer = (await offersIn(transaction)).find((one) => one.designId === designId)
        // What was called back or given elsewhere since it was offered is no longer for sale.
        const short = Math.max(0, -barsToOffer(await sellableLoaves(transaction, designId), offer))
        const left = Math.max(0, (offer?.offered ?? 0) - (offer?.sold ?? 0) - short)
        if (bars > left) throw unprocessable(sentence('shop_left', { left }))
        const [row] = await transaction.insert(shopSales).values({ designId, bars, buyer, day }).returning()
        if (!row) throw new Error('Expected the sale that was just made')
        return reported({ ...row, priceCents: offer?.priceCents ?? 0 })
      }),
    sales: async (after) => {
      const rows = await database.read
        .select({
          number: shopSales.number,
          designId: shopSales.designId,
          bars: shopSales.bars,
          buyer: shopSales.buyer,
          day: shopSales.day,
          priceCents: shopOffers.priceCents,
        })
        .from(shopSales)
        .innerJoin(shopOffers, eq(shopSales.designId, shopOffers.designId))
        .where(gt(shopSales.number, after))
        .orderBy(shopSales.number)
      return rows.map(reported)
    },
  }
}
