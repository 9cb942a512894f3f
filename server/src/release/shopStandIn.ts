import { sentence } from '@vendange/core/findings'
import type { NewShopOffer, ShopOffer, ShopSale } from '@vendange/contract'
import { eq, gt, sql } from 'drizzle-orm'
import type { Database, Reader } from '../db/database'
import { shopOffers, shopSales } from '../db/schema'
import { unprocessable } from '../parts/problems'

/** A web shop that ships with the app: it takes a drop, sells it, and reports what it sold (docs/formats/web-shop.md). */
export interface ShopStandIn {
  offers(): Promise<readonly ShopOffer[]>
  /** Puts bars on sale, over those that are there. */
  offer(drop: NewShopOffer): Promise<ShopOffer>
  /** A made-up buyer buys. @throws 422 where that many are not on offer */
  buy(designId: string, bars: number, buyer: string, day: string): Promise<ShopSale>
  /** Sales after a number. */
  sales(after: number): Promise<readonly ShopSale[]>
}

export function shopStandIn(database: Database): ShopStandIn {
  const reported = ({ number, designId, bars, buyer, day, priceCents }: Omit<ShopSale, 'saleId'>): ShopSale => ({
    saleId: `shop-${number}`,
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
      })
      .from(shopOffers)
      .leftJoin(shopSales, eq(shopSales.designId, shopOffers.designId))
      .groupBy(shopOffers.designId)
  const offers = async (): Promise<readonly ShopOffer[]> => offersIn(database.read)
  return {
    offers,
    offer: async ({ designId, name, bars, priceCents }) => {
      await database.write((transaction) =>
        transaction
          .insert(shopOffers)
          .values({ designId, name, offered: bars, priceCents })
          .onConflictDoUpdate({
            target: shopOffers.designId,
            set: { name, priceCents, offered: sql`${shopOffers.offered} + ${bars}` },
          }),
      )
      const found = (await offers()).find((one) => one.designId === designId)
      if (!found) throw new Error('Expected the offer that was just made')
      return found
    },
    buy: (designId, bars, buyer, day) =>
      database.write(async (transaction) => {
        const offer = (await offersIn(transaction)).find((one) => one.designId === designId)
        const left = (offer?.offered ?? 0) - (offer?.sold ?? 0)
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
