import { formatInstant } from '@vendange/core/calendar'
import { sentence } from '@vendange/core/findings'
import type { NewShopOffer, ShopBuy, ShopMoment, ShopOffer, ShopSale } from '@vendange/contract'
import { eq, gt, sql } from 'drizzle-orm'
import { barsToOffer, leftOfMoment } from '@vendange/core/loaf'
import type { Database, Reader } from '../db/database'
import { shopOffers, shopSales } from '../db/schema'
import { unprocessable } from '../parts/problems'
import { sellableLoaves } from './sellableLoaves'

/** A web shop that ships with the app: it takes a drop, sells it, and reports what it sold (docs/formats/web-shop.md). */
export interface ShopStandIn {
  /** @param now ISO 8601, in UTC */
  offers(now: string): Promise<readonly ShopOffer[]>
  /** Puts bars on sale, over those that are there. @throws 422 where that many are not set aside for the web */
  offer(drop: NewShopOffer, now: string): Promise<ShopOffer>
  /** A made-up buyer buys. @throws 422 where that many are not on offer, or not yet to them */
  buy(
    designId: string,
    buy: ShopBuy,
    when: { readonly now: string; readonly today: string; readonly zone: string },
  ): Promise<ShopSale>
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
  /** Bars sold in each early moment, over all soaps of its drop. */
  async function soldInMoments(reader: Reader): Promise<ReadonlyMap<string, number>> {
    const rows = await reader
      .select({
        dropId: shopOffers.dropId,
        audience: shopSales.audience,
        bars: sql<number>`coalesce(sum(${shopSales.bars}), 0)`,
      })
      .from(shopSales)
      .innerJoin(shopOffers, eq(shopSales.designId, shopOffers.designId))
      .groupBy(shopOffers.dropId, shopSales.audience)
    return new Map(rows.map(({ dropId, audience, bars }) => [momentKey(dropId, audience), bars]))
  }
  async function offersIn(reader: Reader, now: string): Promise<readonly ShopOffer[]> {
    const rows = await reader
      .select({
        designId: shopOffers.designId,
        name: shopOffers.name,
        priceCents: shopOffers.priceCents,
        offered: shopOffers.offered,
        dropId: shopOffers.dropId,
        opensAt: shopOffers.opensAt,
        moments: shopOffers.moments,
        sold: sql<number>`coalesce(sum(${shopSales.bars}), 0)`,
        reported: sql<number>`coalesce(sum(CASE WHEN EXISTS (SELECT 1 FROM loaf_events
          WHERE "happening" ->> '$.saleId' = ${saleIdStart} || ${shopSales.number}) THEN ${shopSales.bars} END), 0)`,
      })
      .from(shopOffers)
      .leftJoin(shopSales, eq(shopSales.designId, shopOffers.designId))
      .groupBy(shopOffers.designId)
    const sold = await soldInMoments(reader)
    return rows.map((row) => ({
      ...row,
      isOpen: row.opensAt === null || isPast(row.opensAt, now),
      moments: row.moments.map((moment): ShopMoment => {
        const its = sold.get(momentKey(row.dropId, moment.audience)) ?? 0
        return { ...moment, sold: its, isOpen: isPast(moment.opensAt, now) && leftOfMoment(moment, its) !== 0 }
      }),
    }))
  }
  return {
    offers: async (now) => offersIn(database.read, now),
    offer: ({ designId, name, bars, priceCents, dropId = '', opensAt = null, moments = [] }, now) =>
      database.write(async (transaction) => {
        const before = (await offersIn(transaction, now)).find((one) => one.designId === designId)
        const free = Math.max(0, barsToOffer(await sellableLoaves(transaction, designId), before))
        if (bars > free) {
          const message = sentence('offer_over_aside', { free })
          throw unprocessable(message, [{ field: 'bars', message }])
        }
        const times = { name, priceCents, dropId, opensAt: opensAt ?? null, moments }
        await transaction
          .insert(shopOffers)
          .values({ designId, offered: bars, ...times })
          .onConflictDoUpdate({
            target: shopOffers.designId,
            set: { ...times, offered: sql`${shopOffers.offered} + ${bars}` },
          })
        const found = (await offersIn(transaction, now)).find((one) => one.designId === designId)
        if (!found) throw new Error('Expected the offer that was just made')
        return found
      }),
    buy: (designId, { bars, buyer, audience = '' }, { now, today, zone }) =>
      database.write(async (transaction) => {
        const offer = (await offersIn(transaction, now)).find((one) => one.designId === designId)
        if (offer) mayBuy(offer, audience, bars, { now, zone })
        // What was called back or given elsewhere since it was offered is no longer for sale.
        const short = Math.max(0, -barsToOffer(await sellableLoaves(transaction, designId), offer))
        const left = Math.max(0, (offer?.offered ?? 0) - (offer?.sold ?? 0) - short)
        if (bars > left) throw unprocessable(sentence('shop_left', { left }))
        const [row] = await transaction
          .insert(shopSales)
          .values({ designId, bars, buyer, day: today, audience: offer?.isOpen === true ? '' : audience })
          .returning()
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

const momentKey = (dropId: string, audience: string): string => JSON.stringify([dropId, audience])
const isPast = (moment: string, now: string): boolean => Date.parse(moment) <= Date.parse(now)

/** Once it is open to all, anybody may; before, those of an open moment, as long as it has bars. @throws 422 */
function mayBuy(
  offer: ShopOffer,
  audience: string,
  bars: number,
  { now, zone }: { readonly now: string; readonly zone: string },
): void {
  if (offer.isOpen) return
  const moment = offer.moments.find((one) => one.audience === audience)
  const opensAt = moment?.opensAt ?? offer.opensAt
  if (opensAt !== null && !isPast(opensAt, now))
    throw unprocessable(sentence('shop_opens', { opens: formatInstant(opensAt, zone) }))
  const left = moment && leftOfMoment(moment, moment.sold)
  if (typeof left === 'number' && bars > left) throw unprocessable(sentence('shop_moment_left', { audience, left }))
}
