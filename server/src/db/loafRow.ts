import type { LoafSummary, RecordedEvent, RecordedStep } from '@vendange/contract'
import type { LoafEvent, LoafState } from '@vendange/core/loaf'
import { mouldsOfPlan, piecesPerMould } from '@vendange/core/batch'
import { stateAfter, isDoneWith, loafState } from '@vendange/core/loaf'
import type { SQL } from 'drizzle-orm'
import { and, asc, eq, inArray, like, or } from 'drizzle-orm'
import type { Reader, Transaction } from './database'
import type { FrozenBatch } from './schema'
import { batches, benchRecords, collections, designs, loafEvents, loaves, makers } from './schema'
import { roundTo } from '@vendange/core/units'

interface LoafJoin {
  readonly loaf: typeof loaves.$inferSelect
  readonly batch: typeof batches.$inferSelect
}

/** The soap of "Regatta, pour 2 of 4": a label names no pour. */
function soapOfPour(name: string, label: string): string {
  const ending = `, ${label}`
  return label !== '' && name.endsWith(ending) ? name.slice(0, -ending.length) : name
}

function summarise({ loaf, batch }: LoafJoin, frozen: FrozenBatch, state: LoafState): LoafSummary {
  const { plan, demand, labelMassG } = frozen
  const moulds = mouldsOfPlan(plan)
  const allBars = moulds.reduce((sum, { count, barsPerMould }) => sum + count * barsPerMould, 0)
  const {
    mouldId,
    name: mouldName,
    barsPerMould,
    barThicknessMm = null,
    batterG,
    mouldMl,
  } = moulds[loaf.part] ?? moulds[0]!
  const inMouldG = batterG + (piecesPerMould(plan.pieces ?? [], moulds)[loaf.part] ?? 0)
  const hasTakeUp = mouldMl > 0 && batterG > 0 && state.batterG !== undefined
  return {
    id: loaf.id,
    lotCode: loaf.lotCode,
    version: loaf.version,
    batchId: batch.id,
    designId: batch.designId,
    name: plan.designName,
    soapName: soapOfPour(plan.designName, batch.label),
    mouldId,
    mouldName,
    takenMl: hasTakeUp ? roundTo(((state.batterG ?? 0) / inMouldG) * mouldMl, 1) : null,
    barsPlanned: barsPerMould,
    barThicknessMm,
    barsWanted: allBars > 0 ? Math.ceil((plan.barsWanted * barsPerMould) / allBars) : 0,
    labelMassG,
    cureDays: demand.cureDays,
    cureSchool: plan.recipe.school?.cure ?? 'days',
    state,
  }
}

/** A loaf, and what its batch was made by. */
export interface LoafWithPlan {
  readonly loaf: LoafSummary
  readonly frozen: FrozenBatch
}

/** Loaves with their state and their batch, newest first; those of `ids` only, when given. A batch is read once for all of its loaves. */
export async function readLoavesWithPlans(reader: Reader, ids?: readonly string[]): Promise<readonly LoafWithPlan[]> {
  if (ids?.length === 0) return []
  const own = await reader
    .select()
    .from(loaves)
    .where(ids === undefined ? undefined : inArray(loaves.id, [...ids]))
  const batchIds = [...new Set(own.map(({ batchId }) => batchId))]
  const poured = await reader
    .select()
    .from(batches)
    .where(ids === undefined ? undefined : inArray(batches.id, batchIds))
  const batchOf = new Map(poured.map((batch) => [batch.id, batch]))
  const states = await Promise.all(own.map(async (loaf) => loaf.state ?? reduced(reader, loaf.id)))
  return own
    .flatMap((loaf, at) => {
      const batch = batchOf.get(loaf.batchId)
      return batch?.frozen
        ? [{ loaf: summarise({ loaf, batch }, batch.frozen, states[at]!), frozen: batch.frozen }]
        : []
    })
    .sort((a, b) => b.loaf.lotCode.localeCompare(a.loaf.lotCode))
}

/** Loaves with their state, newest first; those of `ids` only, when given. */
export async function readLoaves(reader: Reader, ids?: readonly string[]): Promise<readonly LoafSummary[]> {
  return (await readLoavesWithPlans(reader, ids)).map(({ loaf }) => loaf)
}

/** What a loaf's events come to, where that was not kept with it yet. */
async function reduced(reader: Reader, loafId: string): Promise<LoafState> {
  const events = await reader
    .select({ event: loafEvents.event })
    .from(loafEvents)
    .where(eq(loafEvents.loafId, loafId))
    .orderBy(asc(loafEvents.sequence))
  return loafState(events.map(({ event }) => event))
}

/** Appends an event to a loaf's record, and to the row what follows from it. */
export async function appendLoafEvent(
  transaction: Transaction,
  loafId: string,
  event: LoafEvent,
  { at, makerId, eventId }: { readonly at: string; readonly makerId: string; readonly eventId?: string | undefined },
): Promise<void> {
  const [row] = await transaction
    .select({ version: loaves.version, state: loaves.state })
    .from(loaves)
    .where(eq(loaves.id, loafId))
  if (!row) throw new Error(`Expected a loaf ${loafId}, got none`)
  const state = stateAfter(row.state ?? (await reduced(transaction, loafId)), event)
  const sequence = row.version + 1
  await transaction.insert(loafEvents).values({ loafId, sequence, event, at, makerId, eventId })
  await transaction
    .update(loaves)
    .set({ status: state.status, version: sequence, state, isDone: isDoneWith(state) })
    .where(eq(loaves.id, loafId))
}

/** Whether an event that a screen wrote down is on record already, of whichever loaf. */
export async function isEventKnown(reader: Reader, eventId: string | undefined): Promise<boolean> {
  if (eventId === undefined) return false
  const [known] = await reader.select({ id: loafEvents.id }).from(loafEvents).where(eq(loafEvents.eventId, eventId))
  return known !== undefined
}

/** The record of a loaf, oldest first, with who wrote each line. */
export async function readEvents(reader: Reader, loafId: string): Promise<readonly RecordedEvent[]> {
  const rows = await reader
    .select({
      sequence: loafEvents.sequence,
      at: loafEvents.at,
      makerName: makers.name,
      event: loafEvents.event,
    })
    .from(loafEvents)
    .innerJoin(makers, eq(loafEvents.makerId, makers.id))
    .where(eq(loafEvents.loafId, loafId))
    .orderBy(asc(loafEvents.sequence))
  return rows
}

/** The steps recorded at the bench for each of some batches, oldest first. */
export async function readRecordsOf(
  reader: Reader,
  batchIds: readonly string[],
): Promise<ReadonlyMap<string, readonly RecordedStep[]>> {
  return byBatch(await recordsWhere(reader, inArray(benchRecords.batchId, [...batchIds])))
}

function byBatch(
  records: readonly (RecordedStep & { readonly batchId: string })[],
): ReadonlyMap<string, readonly RecordedStep[]> {
  const recordsOf = new Map<string, RecordedStep[]>()
  for (const { batchId, ...record } of records) {
    const known = recordsOf.get(batchId)
    if (known) known.push(record)
    else recordsOf.set(batchId, [record])
  }
  return recordsOf
}

/** The steps recorded at the bench for a batch, oldest first. */
export const readRecords = (reader: Reader, batchId: string): Promise<readonly RecordedStep[]> =>
  recordsWhere(reader, eq(benchRecords.batchId, batchId))

/** What was tapped on the clocks of each of some batches, and how warm they were, oldest first. */
export const readTimedRecords = async (
  reader: Reader,
  batchIds: readonly string[],
): Promise<ReadonlyMap<string, readonly RecordedStep[]>> =>
  byBatch(
    await recordsWhere(
      reader,
      and(
        inArray(benchRecords.batchId, [...batchIds]),
        or(like(benchRecords.stepKey, 'clock:%'), like(benchRecords.stepKey, 'temperature:%')),
      ),
    ),
  )

async function recordsWhere(
  reader: Reader,
  where: SQL | undefined,
): Promise<readonly (RecordedStep & { readonly batchId: string })[]> {
  return reader
    .select({
      batchId: benchRecords.batchId,
      stepKey: benchRecords.stepKey,
      actual: benchRecords.actual,
      lots: benchRecords.lots,
      at: benchRecords.at,
      makerName: makers.name,
    })
    .from(benchRecords)
    .innerJoin(makers, eq(benchRecords.makerId, makers.id))
    .where(where)
    .orderBy(asc(benchRecords.id))
}

/** The name of the collection that a design belongs to. */
export async function collectionNameOf(reader: Reader, designId: string): Promise<string> {
  const [row] = await reader
    .select({ name: collections.name })
    .from(designs)
    .innerJoin(collections, eq(designs.collectionId, collections.id))
    .where(eq(designs.id, designId))
  return row?.name ?? ''
}
