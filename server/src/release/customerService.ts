import { sentence } from '@vendange/core/findings'
import type { BarsBack, CustomerList, GivenFor, NewCustomer, SavedCustomer, SavedOrder } from '@vendange/contract'
import type { LoafSummary } from '@vendange/contract'
import { unsoldBars } from '@vendange/core/loaf'
import { barsOfBoxes, pricesOfBars } from '@vendange/core/release'
import { and, eq } from 'drizzle-orm'
import { setImmediate } from 'node:timers/promises'
import type { Transaction } from '../db/database'
import { appendLoafEvent } from '../db/loafRow'
import { knownMaker } from '../db/makerRow'
import { customers, designs, orders } from '../db/schema'
import type { VersionedRepository } from '../db/versionedRepository'
import { findRow, versionedRepository } from '../db/versionedRepository'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { stale, unprocessable } from '../parts/problems'
import { loavesOfDesign, sellableLoaves } from './sellableLoaves'
import type { TakerOfLoaf } from './takersOfLoaves'
import { takersOfLoaves } from './takersOfLoaves'

export interface CustomerService extends VersionedRepository<NewCustomer, SavedCustomer> {
  /** Takes a list in: who is known by kind and name is changed, the others are new. All of it or nothing. */
  takeIn(list: CustomerList): Promise<void>
  /** Bars that a shop had come back, of the loaves that it had first. @throws 422 where it has not so many */
  barsBack(back: BarsBack, makerId: string): Promise<void>
  /** What is set aside for an order, and what of it was sent. */
  givenFor(orderId: string): Promise<readonly GivenFor[]>
  /** What of a collection is set aside for somebody by name, orders left out. */
  givenIn(collectionId: string): Promise<readonly GivenFor[]>
  /** All that is set aside for an order goes off to whom it is for. @throws 422 where there is nothing, or it may not go */
  send(orderId: string, version: number, makerId: string): Promise<SavedOrder>
}

export function customerService({ database, clock, newId }: Context): CustomerService {
  const repository = versionedRepository<NewCustomer, SavedCustomer>(database, customers, { noun: 'customer', newId })

  const soapsOf = (transaction: Pick<Transaction, 'select'>, { collectionId }: Pick<SavedOrder, 'collectionId'>) =>
    transaction
      .select({ id: designs.id, name: designs.name })
      .from(designs)
      .where(eq(designs.collectionId, collectionId ?? ''))

  /** What of the soaps of a collection those have whom a test lets through. */
  async function givenOf(
    collectionId: string | null,
    isMeant: (taker: TakerOfLoaf) => boolean,
  ): Promise<readonly GivenFor[]> {
    const { read } = database
    const given: GivenFor[] = []
    for (const { id: designId, name: soap } of await soapsOf(read, { collectionId }))
      for (const taker of await takersOfLoaves(read, await loavesOfDesign(read, designId))) {
        const { who, channel, loafId, lotCode, aside, sold: sent } = taker
        if (isMeant(taker)) given.push({ who, channel, loafId, lotCode, designId, soap, aside, sent })
      }
    return given
  }

  return {
    ...repository,
    takeIn: ({ customers: lines }) =>
      database.write(async (transaction) => {
        for (const line of lines) {
          await setImmediate()
          const [known] = await transaction
            .select({ id: customers.id, version: customers.version })
            .from(customers)
            .where(and(eq(customers.kind, line.kind), eq(customers.name, line.name), eq(customers.isRemoved, false)))
          if (known)
            await transaction
              .update(customers)
              .set({ ...line, version: known.version + 1 })
              .where(eq(customers.id, known.id))
          else await transaction.insert(customers).values({ ...line, id: newId(), version: 1, isRemoved: false })
        }
      }),

    barsBack: ({ who, designId, bars }, makerId) =>
      database.write(async (transaction) => {
        const stamp = { at: clock.now().toISOString(), makerId: await knownMaker(transaction, makerId) }
        const day = clock.today((await readWorkshop(transaction)).timeZone)
        const loaves = await loavesOfDesign(transaction, designId)
        const theirs = (await takersOfLoaves(transaction, loaves))
          .filter((taker) => taker.who === who && taker.channel === 'Shops' && taker.aside > 0)
          .reverse()
        const had = theirs.reduce((sum, { aside }) => sum + aside, 0)
        if (had < bars) throw unprocessable(sentence('shop_has_fewer', { who, had }))
        let left = bars
        for (const { loafId, aside } of theirs) {
          const some = Math.min(left, aside)
          left -= some
          if (some > 0)
            await appendLoafEvent(
              transaction,
              loafId,
              { type: 'given_back', day, bars: some, channel: 'Shops', reason: '', who },
              stamp,
            )
        }
      }),

    givenFor: async (orderId) =>
      givenOf((await findRow<SavedOrder>(database.read, orders, orderId, 'order')).collectionId, (taker) => {
        return taker.orderId === orderId
      }),

    givenIn: (collectionId) => givenOf(collectionId, ({ who, orderId }) => who !== '' && orderId === null),

    send: (orderId, version, makerId) =>
      database.write(async (transaction) => {
        const order = await findRow<SavedOrder>(transaction, orders, orderId, 'order')
        if (order.version !== version) throw stale('order', order)
        const stamp = { at: clock.now().toISOString(), makerId: await knownMaker(transaction, makerId) }
        const day = clock.today((await readWorkshop(transaction)).timeZone)
        const soaps = await soapsOf(transaction, order)
        let [sent, sentNow] = [0, 0]
        const going: {
          readonly loaf: LoafSummary
          readonly who: string
          readonly bars: number
          channel: 'Orders' | 'Subscribers'
        }[] = []
        for (const { id: designId } of soaps) {
          await setImmediate()
          const sellable = new Map((await sellableLoaves(transaction, designId)).map((loaf) => [loaf.id, loaf]))
          for (const taker of await takersOfLoaves(transaction, await loavesOfDesign(transaction, designId))) {
            if (taker.orderId !== orderId) continue
            sent += taker.sold
            if (taker.aside === 0) continue
            const loaf = sellable.get(taker.loafId)
            if (!loaf) throw unprocessable(sentence('order_has_called_back', { lot: taker.lotCode }))
            const channel = taker.channel === 'Subscribers' ? 'Subscribers' : 'Orders'
            going.push({ loaf, who: taker.who, channel, bars: Math.min(taker.aside, unsoldBars(loaf.state, channel)) })
          }
        }
        if (going.length === 0) throw unprocessable(sentence('order_nothing_aside'))
        for (const { loaf, who, channel, bars } of going) {
          await setImmediate()
          const prices =
            order.priceCents === null
              ? [{ bars, priceCents: null }]
              : pricesOfBars(
                  order.priceCents,
                  Math.max(order.bars, barsOfBoxes(order.recipients)),
                  sent + sentNow,
                  bars,
                )
          for (const { bars: some, priceCents } of prices) {
            const saleId = `order ${orderId} ${newId()}`.slice(0, 120)
            await appendLoafEvent(
              transaction,
              loaf.id,
              { type: 'sold', day, saleId, bars: some, channel, buyer: who, priceCents, orderId },
              stamp,
            )
          }
          sentNow += bars
        }
        await transaction
          .update(orders)
          .set({
            packedDay: order.packedDay ?? day,
            sentDay: day,
            state: sent + sentNow >= order.bars ? 'delivered' : order.state,
            version: version + 1,
          })
          .where(eq(orders.id, orderId))
        return findRow<SavedOrder>(transaction, orders, orderId, 'order')
      }),
  }
}
