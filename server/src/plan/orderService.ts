import { sentence } from '@vendange/core/findings'
import { offerOf } from '@vendange/contract'
import type { NewOrder, OrderAccepted, OrderQuoted, SavedCollection, SavedMould, SavedOrder } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import { evenPots } from '@vendange/core/batch'
import { unplannable } from '@vendange/core/season'
import { eq } from 'drizzle-orm'
import { setImmediate } from 'node:timers/promises'
import { insertPlanned } from '../db/batchRow'
import type { Transaction } from '../db/database'
import type { VersionedRepository } from '../db/versionedRepository'
import { findRow, versionedRepository } from '../db/versionedRepository'
import { collections, designs, moulds, orders } from '../db/schema'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { refused, stale, unprocessable } from '../parts/problems'

/** The moment by which the bars of an order are asked for on a day. */
const noonOf = (day: string): string => `${day}T12:00`

export interface OrderService extends VersionedRepository<NewOrder, SavedOrder> {
  /** A way to make it goes on paper: its price and its day stand for as long as the workshop lets quotes stand. */
  quote(id: string, quoted: OrderQuoted): Promise<SavedOrder>
  /** The quoted option becomes a soap with its pours on the calendar, all at once. */
  accept(id: string, accepted: OrderAccepted): Promise<SavedOrder>
}

export function orderService({ database, clock, newId }: Context): OrderService {
  const kept = versionedRepository<NewOrder, SavedOrder>(database, orders, {
    noun: 'order',
    newId,
    // Another day was agreed on: the season is planned for it.
    written: async (transaction, { collectionId, promisedDay }, before) => {
      if (collectionId === null || promisedDay === null || !before || promisedDay === before.promisedDay) return
      const collection = await findRow<SavedCollection>(transaction, collections, collectionId, 'collection')
      await transaction
        .update(collections)
        .set({ releaseLocal: noonOf(promisedDay), version: collection.version + 1 })
        .where(eq(collections.id, collectionId))
    },
  })

  async function makeSoap(transaction: Transaction, order: SavedOrder, accepted: OrderAccepted, today: string) {
    const { timeZone } = await readWorkshop(transaction)
    const first = accepted.batches[0]
    if (!first || order.recipeId === null) throw unprocessable(sentence('order_needs_recipe'))
    const earliestDay = order.stampLeadDays === null ? null : addDays(today, order.stampLeadDays)
    const collectionId = newId()
    await transaction.insert(collections).values({
      id: collectionId,
      version: 1,
      isRemoved: false,
      name: order.client,
      theme: order.notes,
      palette: order.colours.map(({ name, hex }) => ({ name, hex })),
      releaseLocal: noonOf(accepted.promisedDay),
      releaseZone: timeZone,
      state: 'scheduled',
    })
    const designId = newId()
    await transaction.insert(designs).values({
      id: designId,
      version: 1,
      isRemoved: false,
      collectionId,
      name: order.client,
      technique: '',
      scent: order.scent && { ...order.scent, supplierLimit: null },
      colours: [...evenPots(order.colours.map((colour) => ({ ...colour, share: 0 })))],
      recipeId: order.recipeId,
      mouldId: first.mouldId,
      mouldCount: first.mouldCount,
      barsWanted: order.bars,
      labelMassG: order.labelMassG,
      bevelled: order.bevelled,
      stamped: order.stampLeadDays !== null,
      earliestDay,
    })
    // Pours are numbered in the order of their days.
    const inOrder = [...accepted.batches].sort((a, b) => a.pourDay.localeCompare(b.pourDay))
    for (const [index, batch] of inOrder.entries()) {
      await setImmediate()
      await findRow<SavedMould>(transaction, moulds, batch.mouldId, 'mould')
      await insertPlanned(transaction, {
        id: newId(),
        designId,
        pourDay: batch.pourDay,
        cutDay: batch.cutDay,
        label: inOrder.length === 1 ? '' : `pour ${index + 1} of ${inOrder.length}`,
        own: {
          mouldId: batch.mouldId,
          mouldCount: batch.mouldCount,
          barsWanted: batch.barsWanted,
          barThicknessMm: batch.barThicknessMm,
        },
      })
    }
    return { collectionId, earliestDay }
  }

  return {
    ...kept,
    quote: (id, { version, ...quoted }) =>
      database.write(async (transaction) => {
        const order = await findRow<SavedOrder>(transaction, orders, id, 'order')
        if (order.version !== version) throw stale('order', order)
        if (order.collectionId !== null) throw unprocessable(sentence('order_accepted'))
        const { timeZone, quoting } = await readWorkshop(transaction)
        const day = clock.today(timeZone)
        await transaction
          .update(orders)
          .set({
            quoted: { ...quoted, offer: offerOf(order), day, validUntilDay: addDays(day, quoting.validDays) },
            state: 'quoted',
            version: version + 1,
          })
          .where(eq(orders.id, id))
        return findRow<SavedOrder>(transaction, orders, id, 'order')
      }),
    accept: (id, accepted) =>
      database.write(async (transaction) => {
        const order = await findRow<SavedOrder>(transaction, orders, id, 'order')
        if (order.version !== accepted.version) throw stale('order', order)
        if (order.collectionId !== null) throw unprocessable(sentence('order_accepted'))
        const today = clock.today((await readWorkshop(transaction)).timeZone)
        if (accepted.batches.some(({ pourDay }) => pourDay < today)) throw unprocessable(sentence('quote_is_past'))
        const refusals = accepted.batches.flatMap((batch) => unplannable(batch, today) ?? [])
        if (refusals.length > 0) throw refused(refusals)
        const made = await makeSoap(transaction, order, accepted, today)
        await transaction
          .update(orders)
          .set({
            ...made,
            state: 'accepted',
            priceCents: accepted.priceCents,
            promisedDay: accepted.promisedDay,
            version: order.version + 1,
          })
          .where(eq(orders.id, id))
        return findRow<SavedOrder>(transaction, orders, id, 'order')
      }),
  }
}
