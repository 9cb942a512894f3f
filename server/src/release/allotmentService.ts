import type { Day } from '@vendange/core/calendar'
import type { Sentence } from '@vendange/core/findings'
import { quantity, sentence } from '@vendange/core/findings'
import { atField, faultsOf, mostListed, saleSchema, ValidationError } from '@vendange/contract'
import type { AllotmentView, LoafSummary, NewAllotment, NewSale, SaleSettling, SalesTaken } from '@vendange/contract'
import { allot, checkLoafEvent, freeBarsOf, isBeforeRelease, unsoldBars } from '@vendange/core/loaf'
import { desc, eq, sql } from 'drizzle-orm'
import { setImmediate } from 'node:timers/promises'
import type { Reader, Transaction } from '../db/database'
import { appendLoafEvent, readLoaves } from '../db/loafRow'
import { knownMaker } from '../db/makerRow'
import { isSettled, keepOwed, openSale, settleOwed } from '../db/owedSaleRow'
import { loafEvents, loaves } from '../db/schema'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { notFound, several, unprocessable } from '../parts/problems'
import { sayOf } from '../parts/workshopWords'
import { releaseTimesOf, soldBarsBefore } from './releaseTimes'
import { loavesOfDesign, withCalledBack } from './sellableLoaves'

export interface AllotmentService {
  /** Sets bars of a soap aside for somebody, of the loaves released first. @throws 422 where there are not enough */
  allot(wanted: NewAllotment, makerId: string): Promise<AllotmentView>
  /** Sets bars of several soaps aside at once. @throws 422 where there are not enough of one of them: then none is */
  giveOut(gifts: readonly NewAllotment[], makerId: string): Promise<readonly AllotmentView[]>
  /** Writes what was sold into the loaves it came from, line by line; one that is known already is left out. */
  takeSales(sales: readonly unknown[], makerId: string): Promise<SalesTaken>
  /**
   * Settles a sale that found no bar: with one that is free, which is set aside for its channel and sold, or with the
   * buyer's money given back.
   *
   * @throws 404 where it is not owed; 422 where no such bar is free
   */
  settleSale(settling: SaleSettling, makerId: string): Promise<{ readonly saleId: string }>
  /** Loaves of which bars are kept as samples, the newest {@link mostListed} at the most. */
  kept(): Promise<readonly LoafSummary[]>
}

/** A sale whose line is understood, told as it is refused. */
type Refused = { readonly refusal: Sentence }

/** What is known while a report is taken in. */
interface Taking {
  readonly at: string
  readonly makerId: string
  readonly today: Day
  readonly zone: string
}

async function isKnownSale(reader: Reader, saleId: string): Promise<boolean> {
  const [found] = await reader
    .select({ id: loafEvents.id })
    .from(loafEvents)
    .where(eq(sql`"happening" ->> '$.saleId'`, saleId))
    .limit(1)
  return found !== undefined
}

/** A line of a report, once it is of its kind. */
async function readSale(line: unknown): Promise<NewSale | Refused> {
  try {
    return await saleSchema.validate(line, { strict: true, abortEarly: false })
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    return { refusal: several(faultsOf(error).map(atField)) }
  }
}

const saleIdIn = (line: unknown): string => {
  const { saleId } = (line ?? {}) as { readonly saleId?: unknown }
  return typeof saleId === 'string' ? saleId.slice(0, mostOfId) : ''
}
const mostOfId = 120

export function allotmentService({ database, clock, newId }: Context): AllotmentService {
  /** Writes a sale into the loaves it came from. @returns whether it was before the release, or why it cannot be */
  async function takeSale(
    transaction: Transaction,
    sale: NewSale,
    { today, zone, ...stamp }: Taking,
  ): Promise<{ readonly isEarly: boolean } | Refused> {
    const { saleId, day, channel, buyer, priceCents } = sale
    const own = (await withCalledBack(transaction, await loavesOfDesign(transaction, sale.designId)))
      .filter(({ loaf: { lotCode, state } }) => {
        const isMeant = sale.lotCode === '' || lotCode === sale.lotCode
        return isMeant && unsoldBars(state, channel) > 0
      })
      .reverse()
    const [called] = own.flatMap(({ calledBack }) => calledBack)
    const times = await releaseTimesOf(transaction, sale.designId)
    const isEarly =
      times !== undefined &&
      isBeforeRelease(
        times,
        { ...sale, soldBars: await soldBarsBefore(transaction, times, sale) },
        { now: stamp.at, today, zone },
      )
    const event = {
      type: 'sold',
      saleId,
      day,
      channel,
      buyer,
      priceCents,
      ...(isEarly ? ({ isBeforeRelease: true } as const) : {}),
    } as const
    const against = own.map(({ loaf }) => checkLoafEvent(loaf.state, { ...event, bars: 1 }, today))
    const sellable = own.flatMap(({ loaf, calledBack }, at) =>
      calledBack.length === 0 && against[at]?.length === 0 ? [loaf] : [],
    )
    const missing = sale.bars - sellable.reduce((sum, { state }) => sum + unsoldBars(state, channel), 0)
    if (missing > 0) {
      const [finding] = against.flat()
      if (finding) return { refusal: finding }
      const told = { sale: saleId, day: quantity.day(day) }
      return called === undefined
        ? { refusal: sentence('sale_not_set_aside', { ...told, bars: sale.bars, missing, channel }) }
        : { refusal: sentence('sale_of_lot_called_back', { ...told, lots: called }) }
    }
    let left = sale.bars
    for (const { id, state } of sellable) {
      const bars = Math.min(left, unsoldBars(state, channel))
      if (bars > 0) await appendLoafEvent(transaction, id, { ...event, bars }, stamp)
      left -= bars
    }
    return { isEarly }
  }

  /** Sets bars of a soap aside, of the loaves released first. @throws 422 where there are not enough */
  async function setAside(
    transaction: Transaction,
    { designId, bars: wanted, channel, who, orderId }: NewAllotment,
    { at, makerId }: Pick<Taking, 'at' | 'makerId'>,
  ): Promise<AllotmentView> {
    const all = await withCalledBack(transaction, await loavesOfDesign(transaction, designId))
    const released = all.filter(({ loaf }) => loaf.state.status === 'released')
    const own = released.flatMap(({ loaf, calledBack }) => (calledBack.length === 0 ? [loaf] : []))
    const taken = allot(own, wanted)
    if (!taken) {
      const [called] = released.flatMap(({ calledBack }) => calledBack)
      const free = freeBarsOf(own)
      const message =
        free === 0 && called !== undefined
          ? sentence('lot_in_it_called_back', { lots: called })
          : sentence('bars_free', { free })
      throw unprocessable(message, [{ field: 'bars', message }])
    }
    const allotmentId = newId()
    const day = clock.today((await readWorkshop(transaction)).timeZone)
    for (const { loaf, bars } of taken)
      await appendLoafEvent(
        transaction,
        loaf.id,
        { type: 'allotted', day, allotmentId, bars, channel, who, orderId },
        { at, makerId },
      )
    return { allotmentId, lots: taken.map(({ loaf, bars }) => ({ lotCode: loaf.lotCode, bars })) }
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
        return setAside(transaction, wanted, { at: clock.now().toISOString(), makerId: maker })
      }),

    giveOut: (gifts, makerId) =>
      database.write(async (transaction) => {
        const stamp = { at: clock.now().toISOString(), makerId: await knownMaker(transaction, makerId) }
        const given: AllotmentView[] = []
        for (const gift of gifts) {
          await setImmediate()
          given.push(await setAside(transaction, gift, stamp))
        }
        return given
      }),

    settleSale: ({ saleId, how }, makerId) =>
      database.write(async (transaction) => {
        const maker = await knownMaker(transaction, makerId)
        const sale = await openSale(transaction, saleId)
        if (!sale) throw notFound(sentence('no_such', { thing: 'sale that is owed' }))
        const { timeZone: zone } = await readWorkshop(transaction)
        const taking = { at: clock.now().toISOString(), makerId: maker, zone, today: clock.today(zone) }
        if (how === 'free_bar') {
          const { designId, bars, channel, buyer } = sale
          await setAside(transaction, { designId, bars, channel, who: buyer, orderId: null }, taking)
          const done = await takeSale(transaction, sale, taking)
          if ('refusal' in done) throw unprocessable(done.refusal)
        }
        await settleOwed(transaction, saleId, how, taking)
        return { saleId }
      }),

    takeSales: (sales, makerId) =>
      database.write(async (transaction) => {
        const { timeZone: zone } = await readWorkshop(transaction)
        const maker = await knownMaker(transaction, makerId)
        const taking = { at: clock.now().toISOString(), makerId: maker, zone, today: clock.today(zone) }
        const say = await sayOf(transaction, clock)
        let [taken, known, beforeRelease] = [0, 0, 0]
        const refused: { saleId: string; detail: string; isOwed: boolean }[] = []
        for (const line of sales) {
          await setImmediate()
          const sale = await readSale(line)
          if ('refusal' in sale) {
            refused.push({ saleId: saleIdIn(line), detail: say(sale.refusal), isOwed: false })
            continue
          }
          if ((await isKnownSale(transaction, sale.saleId)) || (await isSettled(transaction, sale.saleId))) {
            known += 1
            continue
          }
          const done = await takeSale(transaction, sale, taking)
          if ('refusal' in done) {
            const detail = say(done.refusal)
            refused.push({
              saleId: sale.saleId,
              detail,
              isOwed: await keepOwed(transaction, sale, detail, taking),
            })
            continue
          }
          // It may have been owed until bars were set aside for it.
          await settleOwed(transaction, sale.saleId, 'free_bar', taking)
          taken += 1
          beforeRelease += done.isEarly ? 1 : 0
        }
        return { taken, known, beforeRelease, refused }
      }),
  }
}
