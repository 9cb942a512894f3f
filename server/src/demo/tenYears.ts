import type { Day } from '@vendange/core/calendar'
import { addDays } from '@vendange/core/calendar'
import type { LoafEvent } from '@vendange/core/loaf'
import { isDoneWith, loafState } from '@vendange/core/loaf'
import { lotCode } from '@vendange/core/release'
import { randomFrom } from '@vendange/core/random'
import { and, eq, isNotNull, like, notInArray } from 'drizzle-orm'
import type { Database, Transaction } from '../db/database'
import { batches, benchRecords, designs, loafEvents, loaves, lots, lotUses, makers } from '../db/schema'
import { demoToday } from './scenario/workshop'
import { roundTo } from '@vendange/core/units'

/** How much history is made up. */
export interface HistorySize {
  readonly years: number
  readonly batchesAYear: number
  readonly loavesABatch: number
}
export const tenYears: HistorySize = { years: 10, batchesAYear: 250, loavesABatch: 2 }

const weighIns = 8
const sales = 12

/** A loaf's life from mould to the last bar: thirty events, eight of them weighings. */
function lifeOf(pourDay: Day, seed: number): readonly LoafEvent[] {
  const random = randomFrom(seed)
  const cutDay = addDays(pourDay, 2)
  const wetG = 128 + Math.round(random() * 6)
  const releaseDay = addDays(cutDay, 7 * weighIns)
  const weighed = Array.from({ length: weighIns }, (_, week): LoafEvent => {
    const lost = 0.115 * (1 - Math.exp(-(week + 1) / 2))
    return { type: 'weighed', day: addDays(cutDay, 7 * (week + 1)), barG: roundTo(wetG * (1 - lost), 1) }
  })
  const sold = Array.from({ length: sales }, (_, at): LoafEvent => ({
    type: 'sold',
    day: addDays(releaseDay, 1 + at * 3),
    saleId: `history-${seed}-${at}`,
    bars: at === 0 ? 7 : 1,
    channel: 'Web',
    buyer: `Buyer ${1 + Math.floor(random() * 900)}`,
    priceCents: 850,
  }))
  return [
    { type: 'poured', day: pourDay, batterG: 2480 },
    { type: 'unmoulded', day: cutDay },
    { type: 'cut', day: cutDay, bars: 18, ends: 2, firstBarG: wetG, bevelled: false },
    { type: 'moved', day: cutDay, place: random() < 0.5 ? 'North rack' : 'Door rack' },
    { type: 'scrapped', day: cutDay, massG: 60, colour: 'mixed', hex: '#CDBFA5' },
    { type: 'finished', day: addDays(cutDay, 1), finish: 'planed', bars: 18, minutes: 11, removedG: null },
    ...weighed,
    { type: 'noted', day: releaseDay, text: 'Came out as hoped.' },
    { type: 'scrap_used', day: releaseDay, massG: 60, colour: 'mixed', use: 'confetti' },
    { type: 'released', day: releaseDay, bars: 18, ph: 9.4, lookIsSound: true, labelIsComplete: true },
    {
      type: 'allotted',
      day: releaseDay,
      allotmentId: `history-${seed}`,
      bars: 18,
      channel: 'Web',
      who: 'the drop',
      orderId: null,
    },
    ...sold,
  ]
}

/** Rows that go into one statement. */
const atOnce = 50
async function inserted<Value>(values: readonly Value[], insert: (some: Value[]) => Promise<unknown>): Promise<void> {
  for (let at = 0; at < values.length; at += atOnce) await insert(values.slice(at, at + atOnce))
}

interface Source {
  readonly batch: typeof batches.$inferSelect
  readonly records: readonly (typeof benchRecords.$inferSelect)[]
}

async function sourcesOf(transaction: Transaction): Promise<readonly Source[]> {
  const frozen = await transaction.select().from(batches).where(isNotNull(batches.frozen))
  return Promise.all(
    frozen.map(async (batch) => ({
      batch,
      records: await transaction.select().from(benchRecords).where(eq(benchRecords.batchId, batch.id)),
    })),
  )
}

/**
 * Makes up years of history in a database that holds the demo: pours like the demo's own, each loaf followed to its last
 * bar, each pour from lots of its quarter. Written straight into the tables, since the services would take hours.
 */
export async function makeHistory(
  database: Database,
  { years, batchesAYear, loavesABatch }: HistorySize,
): Promise<void> {
  const pours = years * batchesAYear
  await database.write(async (transaction) => {
    const sources = await sourcesOf(transaction)
    const [maker] = await transaction.select({ id: makers.id }).from(makers)
    const allDesigns = await transaction.select().from(designs)
    const allLots = await transaction.select().from(lots)
    if (!maker || sources.length === 0) throw new Error('Expected the demo in this database')
    const quarters = years * 4
    const lotOfQuarter = (lotId: string, quarter: number): string => `${lotId}-q${quarter}`
    for (let quarter = 0; quarter < quarters; quarter++)
      await inserted(
        allLots.map((lot) => ({
          ...lot,
          id: lotOfQuarter(lot.id, quarter),
          lotNumber: `${lot.lotNumber}-${quarter}`,
          receivedAmount: 1e7,
          receivedDay: addDays(demoToday, -Math.round((365 * (quarters - quarter)) / 4) - 30),
        })),
        (some) => transaction.insert(lots).values(some),
      )
    const usedOf = new Map<string, number>()
    // A soap is brought back for some time, then a new one takes its place.
    const designFor = (pour: number, source: Source): string => `${source.batch.designId}-${Math.floor(pour / 60)}`
    const known = new Set<string>()
    const perDay = new Map<Day, number>()
    for (let pour = 0; pour < pours; pour++) {
      const source = sources[pour % sources.length]!
      const pourDay = addDays(demoToday, -Math.round((365 * years * (pours - pour)) / pours) - 90)
      const quarter = Math.min(quarters - 1, Math.floor((quarters * pour) / pours))
      const designId = designFor(pour, source)
      const design = allDesigns.find(({ id }) => id === source.batch.designId)
      if (design && !known.has(designId)) {
        known.add(designId)
        await transaction
          .insert(designs)
          .values({ ...design, id: designId, name: `${design.name} ${Math.floor(pour / 60) + 1}` })
      }
      const batchId = `history-${pour}`
      const at = `${pourDay}T10:00:00.000Z`
      await transaction.insert(batches).values({ ...source.batch, id: batchId, designId, pourDay, status: 'poured' })
      await inserted(
        source.records.map(({ id: _id, ...record }) => ({
          ...record,
          batchId,
          at,
          recordId: null,
          lots: record.lots?.map((use) => ({ ...use, lotId: lotOfQuarter(use.lotId, quarter) })) ?? null,
        })),
        (some) => transaction.insert(benchRecords).values(some),
      )
      const uses = source.records.flatMap(({ stepKey, lots: taken }) =>
        (taken ?? []).map(({ lotId, amount }) => ({ batchId, stepKey, lotId: lotOfQuarter(lotId, quarter), amount })),
      )
      const lastUses = [...new Map(uses.map((use) => [`${use.stepKey} ${use.lotId}`, use])).values()]
      for (const { lotId, amount } of lastUses) usedOf.set(lotId, (usedOf.get(lotId) ?? 0) + amount)
      await inserted(lastUses, (some) => transaction.insert(lotUses).values(some))
      for (let part = 0; part < loavesABatch; part++) {
        const number = (perDay.get(pourDay) ?? 0) + 1
        perDay.set(pourDay, number)
        const loafId = `${batchId}-${part}`
        const life = lifeOf(pourDay, pour * loavesABatch + part + 1)
        const state = loafState(life)
        await transaction.insert(loaves).values({
          id: loafId,
          batchId,
          part: 0,
          lotCode: lotCode(pourDay, 50 + number),
          status: state.status,
          version: life.length,
          state,
          isDone: isDoneWith(state),
        })
        await inserted(
          life.map((event, sequence) => ({
            loafId,
            sequence: sequence + 1,
            event,
            makerId: maker.id,
            at: `${event.day}T12:00:00.000Z`,
          })),
          (some) => transaction.insert(loafEvents).values(some),
        )
      }
    }
    // Every lot of the past was used up; what nobody needed was never bought.
    const bought = [...usedOf.keys()]
    await transaction.delete(lots).where(and(like(lots.id, '%-q%'), notInArray(lots.id, bought)))
    for (const [lotId, receivedAmount] of usedOf)
      await transaction.update(lots).set({ receivedAmount, usedAmount: receivedAmount }).where(eq(lots.id, lotId))
  })
}
