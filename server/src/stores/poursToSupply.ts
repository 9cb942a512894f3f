import type { SavedMaker } from '@vendange/contract'
import { mouldsOfPlan } from '@vendange/core/batch'
import { workingHours, batchDays } from '@vendange/core/season'
import type { PourToSupply } from '@vendange/core/stores'
import { and, eq, inArray, ne, notInArray, or } from 'drizzle-orm'
import type { BatchRow } from '../db/batchRow'
import { freezeBatch } from '../db/batchRow'
import type { Reader } from '../db/database'
import { Refusal } from '../db/refusal'
import type { FrozenBatch } from '../db/schema'
import { batches, benchRecords, designs, loaves, makers } from '../db/schema'
import type { Stock } from '../db/storesRow'
import { findRows } from '../db/versionedRepository'
import { readWorkshop } from '../db/workshopRow'

/** Of each batch the steps that are done. */
async function readDoneSteps(
  reader: Reader,
  batchIds: readonly string[],
): Promise<ReadonlyMap<string, ReadonlySet<string>>> {
  const records = await reader
    .select({ batchId: benchRecords.batchId, stepKey: benchRecords.stepKey })
    .from(benchRecords)
    .where(inArray(benchRecords.batchId, [...batchIds]))
  const doneOf = new Map<string, Set<string>>()
  for (const { batchId, stepKey } of records) doneOf.set(batchId, (doneOf.get(batchId) ?? new Set()).add(stepKey))
  return doneOf
}

/** What a pour would be made by; nothing where a part of it is gone: its own page tells that. */
async function plannedNow(reader: Reader, batch: BatchRow, stock: Stock): Promise<FrozenBatch | undefined> {
  try {
    return await freezeBatch(reader, batch, stock)
  } catch (error) {
    if (error instanceof Refusal) return undefined
    throw error
  }
}

/** Pours that are not made yet and can be made as they stand, and those whose bars are still to be packed. */
export async function poursToSupply(reader: Reader, stock: Stock): Promise<readonly PourToSupply[]> {
  const workshop = await readWorkshop(reader)
  const working = workingHours({ workshop, makers: await findRows<SavedMaker>(reader, makers) })
  const onTheRack = await reader
    .select({ batchId: loaves.batchId, part: loaves.part })
    .from(loaves)
    .where(and(eq(loaves.isDone, false), notInArray(loaves.status, ['released', 'failed'])))
  const onRacks = [...new Set(onTheRack.map(({ batchId }) => batchId))]
  const rows = await reader
    .select({ batch: batches, design: designs })
    .from(batches)
    .innerJoin(designs, eq(batches.designId, designs.id))
    .where(and(eq(batches.isRemoved, false), or(ne(batches.status, 'poured'), inArray(batches.id, onRacks))))
  const doneOf = await readDoneSteps(
    reader,
    rows.map(({ batch }) => batch.id),
  )
  const pours: PourToSupply[] = []
  for (const { batch, design } of rows) {
    const loavesLeft = onTheRack.filter(({ batchId }) => batchId === batch.id)
    if (batch.status === 'poured' && loavesLeft.length === 0) continue
    const hasParts = design.recipeId !== null && (design.mouldId ?? batch.own?.mouldId ?? null) !== null
    if (!batch.frozen && !hasParts) continue
    const made = batch.frozen ?? (await plannedNow(reader, batch, stock))
    if (!made) continue
    const { plan, demand } = made
    const { prepDay, readyDay } = batchDays(batch.pourDay, demand, working)
    const barsLeft = loavesLeft.reduce((sum, { part }) => sum + (mouldsOfPlan(plan)[part]?.barsPerMould ?? 0), 0)
    pours.push({
      batchId: batch.id,
      batchName: plan.designName,
      plan,
      prepDay: prepDay ?? batch.pourDay,
      readyDay,
      bars: batch.status === 'poured' ? barsLeft : plan.barsPlanned,
      doneSteps: doneOf.get(batch.id) ?? new Set(),
    })
  }
  return pours
}
