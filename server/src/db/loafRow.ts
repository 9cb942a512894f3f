import type { LoafSummary, RecordedEvent, RecordedStep } from '@vendange/contract'
import type { LoafHappening } from '@vendange/core/loaf'
import { mouldsOfPlan } from '@vendange/core/batch'
import { loafState } from '@vendange/core/loaf'
import { asc, eq, inArray } from 'drizzle-orm'
import type { Reader } from './database'
import type { FrozenBatch } from './schema'
import { batches, benchRecords, collections, designs, loafEvents, loaves, makers } from './schema'

interface LoafJoin {
  readonly loaf: typeof loaves.$inferSelect
  readonly batch: typeof batches.$inferSelect
}

function summarise({ loaf, batch }: LoafJoin, frozen: FrozenBatch, happenings: readonly LoafHappening[]): LoafSummary {
  const { plan, demand, labelMassG } = frozen
  const moulds = mouldsOfPlan(plan)
  const allBars = moulds.reduce((sum, { count, barsPerMould }) => sum + count * barsPerMould, 0)
  const { mouldId, name: mouldName, barsPerMould, batterG, mouldMl } = moulds[loaf.part] ?? moulds[0]!
  const state = loafState(happenings)
  const hasTakeUp = mouldMl > 0 && batterG > 0 && state.batterG !== undefined
  return {
    id: loaf.id,
    lotCode: loaf.lotCode,
    version: loaf.version,
    batchId: batch.id,
    designId: batch.designId,
    name: plan.designName,
    mouldId,
    mouldName,
    takenMl: hasTakeUp ? Number((((state.batterG ?? 0) / batterG) * mouldMl).toFixed(1)) : null,
    barsPlanned: barsPerMould,
    barsWanted: allBars > 0 ? Math.ceil((plan.barsWanted * barsPerMould) / allBars) : 0,
    labelMassG,
    cureDays: demand.cureDays,
    state,
  }
}

/** Loaves with their state, newest first; those of `ids` only, when given. */
export async function readLoaves(reader: Reader, ids?: readonly string[]): Promise<readonly LoafSummary[]> {
  const wanted = ids === undefined ? undefined : inArray(loaves.id, [...ids])
  const joined = await reader
    .select({ loaf: loaves, batch: batches })
    .from(loaves)
    .innerJoin(batches, eq(loaves.batchId, batches.id))
    .where(wanted)
  const events = await reader
    .select()
    .from(loafEvents)
    .where(ids === undefined ? undefined : inArray(loafEvents.loafId, [...ids]))
    .orderBy(asc(loafEvents.sequence))
  const byLoaf = new Map<string, LoafHappening[]>()
  for (const { loafId, happening } of events) byLoaf.set(loafId, [...(byLoaf.get(loafId) ?? []), happening])
  return joined
    .flatMap((row) => (row.batch.frozen ? [summarise(row, row.batch.frozen, byLoaf.get(row.loaf.id) ?? [])] : []))
    .sort((a, b) => b.lotCode.localeCompare(a.lotCode))
}

/** The record of a loaf, oldest first, with who wrote each line. */
export async function readEvents(reader: Reader, loafId: string): Promise<readonly RecordedEvent[]> {
  const rows = await reader
    .select({
      sequence: loafEvents.sequence,
      at: loafEvents.at,
      makerName: makers.name,
      happening: loafEvents.happening,
    })
    .from(loafEvents)
    .innerJoin(makers, eq(loafEvents.makerId, makers.id))
    .where(eq(loafEvents.loafId, loafId))
    .orderBy(asc(loafEvents.sequence))
  return rows
}

/** The steps recorded at the bench for a batch, oldest first. */
export async function readRecords(reader: Reader, batchId: string): Promise<readonly RecordedStep[]> {
  return reader
    .select({
      stepKey: benchRecords.stepKey,
      actual: benchRecords.actual,
      lots: benchRecords.lots,
      at: benchRecords.at,
      makerName: makers.name,
    })
    .from(benchRecords)
    .innerJoin(makers, eq(benchRecords.makerId, makers.id))
    .where(eq(benchRecords.batchId, batchId))
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
