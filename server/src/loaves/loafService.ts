import type { LoafSummary, LoafView, NewLoafEvent, SavedWorkshop } from '@vendange/contract'
import type { Sentence } from '@vendange/core/findings'
import { isRefused, sentence } from '@vendange/core/findings'
import type { LoafEvent } from '@vendange/core/loaf'
import { checkLoafEvent, newlyFinished } from '@vendange/core/loaf'
import { bevellingCharge } from '@vendange/core/plan'
import type { ReleaseCheck } from '@vendange/core/release'
import { labelOf, mayRelease, releaseChecks } from '@vendange/core/release'
import { barMassStepG } from '@vendange/core/units'
import { releaseCheckWords } from '@vendange/words'
import { and, eq } from 'drizzle-orm'
import { planOfBatch, readBatch } from '../db/batchRow'
import type { Reader, Transaction } from '../db/database'
import { appendLoafEvent, collectionNameOf, isEventKnown, readEvents, readLoaves, readRecords } from '../db/loafRow'
import { knownMaker } from '../db/makerRow'
import { designs, orders, photos } from '../db/schema'
import { lotsCalledBackIn } from '../db/calledBack'
import { lotsUsedIn, readNamesOnLabel } from '../db/storesRow'
import { readWorkshop } from '../db/workshopRow'
import { momentAgo } from '../parts/clock'
import type { Context } from '../parts/context'
import { notFound, refused, several, stale, unprocessable } from '../parts/problems'
import { sayOf } from '../parts/workshopWords'

export interface LoafService {
  view(id: string): Promise<LoafView>
  record(id: string, event: NewLoafEvent, makerId: string): Promise<LoafView>
}

const fieldOfCheck: Readonly<Record<string, string>> = { ph: 'ph', look: 'lookIsSound', label: 'labelIsComplete' }

const checkSentence = ({ key, finding }: ReleaseCheck): Sentence =>
  sentence('release_check', { check: releaseCheckWords[key], finding })

function refuseRelease(
  { loaf, calledBack: recalledLots, plan, namesOnLabel }: LoafView,
  answers: Extract<LoafEvent, { type: 'released' }>,
  workshop: SavedWorkshop,
  today: string,
): void {
  const labelLacks = labelOf(loaf, plan, namesOnLabel, workshop, today).lacks
  const labelStepG = barMassStepG[workshop.massUnit]
  const checks = releaseChecks(loaf.state, { ...loaf, recalledLots, labelLacks, labelStepG }, answers, today)
  if (mayRelease(checks) || answers.overrideReason !== undefined) return
  const against = checks.filter(({ result }) => result === 'failed' || result === 'open')
  throw unprocessable(
    several([sentence('cannot_go_yet'), ...against.map(checkSentence)]),
    against.map((check) => ({ field: fieldOfCheck[check.key] ?? '', message: checkSentence(check) })),
  )
}

export function loafService({ database, clock }: Context): LoafService {
  async function summary(reader: Reader, id: string): Promise<LoafSummary> {
    const [loaf] = await readLoaves(reader, [id])
    if (!loaf) throw notFound(sentence('no_such', { thing: 'loaf' }))
    return loaf
  }

  async function view(reader: Reader, id: string): Promise<LoafView> {
    const loaf = await summary(reader, id)
    const batch = await readBatch(reader, loaf.batchId)
    const records = await readRecords(reader, batch.id)
    return {
      loaf,
      collectionName: await collectionNameOf(reader, batch.designId),
      plan: await planOfBatch(reader, batch),
      records,
      lotsUsed: await lotsUsedIn(reader, records),
      calledBack: (await lotsCalledBackIn(reader, [batch.id])).get(batch.id) ?? [],
      namesOnLabel: await readNamesOnLabel(reader),
      events: await readEvents(reader, id),
    }
  }

  /** Bars that are bevelled for an order beyond its quote are charged on it. */
  async function carryCharge(
    transaction: Transaction,
    { designId, lotCode, state }: LoafSummary,
    event: LoafEvent,
  ): Promise<void> {
    const bars = newlyFinished(state, event, 'bevelled')
    if (bars <= 0) return
    const [order] = await transaction
      .select({
        id: orders.id,
        version: orders.version,
        bevelled: orders.bevelled,
        charges: orders.charges,
      })
      .from(orders)
      .innerJoin(designs, eq(designs.collectionId, orders.collectionId))
      .where(and(eq(designs.id, designId), eq(orders.isRemoved, false)))
    if (!order) return
    const { pricing } = await readWorkshop(transaction)
    const cents = bevellingCharge(bars, order, pricing)
    if (cents === undefined) return
    const say = await sayOf(transaction, clock)
    const charge = { day: event.day, what: say(sentence('bevelling_charge', { bars, lot: lotCode })), cents }
    await transaction
      .update(orders)
      .set({ charges: [...order.charges, charge], version: order.version + 1 })
      .where(eq(orders.id, order.id))
  }

  return {
    view: (id) => view(database.read, id),

    record: (id, { version, eventId, secondsAgo = 0, ...event }, makerId) =>
      database.write(async (transaction) => {
        const loaf = await summary(transaction, id)
        if (await isEventKnown(transaction, eventId)) return view(transaction, id)
        if (loaf.version !== version) throw stale('loaf', await view(transaction, id))
        const maker = await knownMaker(transaction, makerId)
        const workshop = await readWorkshop(transaction)
        const today = clock.today(workshop.timeZone)
        const findings = checkLoafEvent(loaf.state, event, today)
        if (isRefused(findings)) throw refused(findings)
        if (event.type === 'released') refuseRelease(await view(transaction, id), event, workshop, today)
        if (event.type === 'photographed') {
          const [photo] = await transaction.select({ id: photos.id }).from(photos).where(eq(photos.id, event.photoId))
          if (!photo) throw notFound(sentence('no_such', { thing: 'photograph' }))
        }

        const at = momentAgo(clock, secondsAgo)
        await appendLoafEvent(transaction, id, event, { at, makerId: maker, eventId })
        await carryCharge(transaction, loaf, event)
        return view(transaction, id)
      }),
  }
}
