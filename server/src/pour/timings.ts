import type { TimedPourView } from '@vendange/contract'
import { clockKeys } from '@vendange/core/batch'
import { timingOf } from '@vendange/core/pour'
import { and, desc, eq, inArray } from 'drizzle-orm'
import { planOfBatch, readBatch } from '../db/batchRow'
import type { Database, Reader } from '../db/database'
import { readTimedRecords } from '../db/loafRow'
import { batches, benchRecords } from '../db/schema'

/** Timed pours that are learned from: the newest. */
const mostTimings = 60

/** Pours whose clock was started, the latest last. */
export async function readTimings(reader: Reader): Promise<readonly TimedPourView[]> {
  const timed = await reader
    .select({ batchId: benchRecords.batchId })
    .from(benchRecords)
    .innerJoin(batches, eq(benchRecords.batchId, batches.id))
    .where(and(eq(benchRecords.stepKey, clockKeys.emulsion), eq(batches.isRemoved, false)))
    .groupBy(benchRecords.batchId)
    .orderBy(desc(batches.pourDay), desc(batches.id))
    .limit(mostTimings)
  const ids = timed.map(({ batchId }) => batchId)
  const rows = await reader.select().from(batches).where(inArray(batches.id, ids)).orderBy(batches.pourDay, batches.id)
  // Of its records what was tapped and how warm it was.
  const recordsOf = await readTimedRecords(reader, ids)
  const views = await Promise.all(
    rows.map(async (row): Promise<TimedPourView | undefined> => {
      const plan = await planOfBatch(reader, row)
      const timing = timingOf(plan, recordsOf.get(row.id) ?? [])
      return (
        timing && {
          ...timing,
          batchId: row.id,
          designId: row.designId,
          name: plan.designName,
          day: row.pourDay,
          setAside: row.timingSetAside,
        }
      )
    }),
  )
  return views.filter((one) => one !== undefined)
}

/** Says why a timed pour is not learned from, or with null that it is again. @throws 404 if there is no such pour */
export async function setTimingAside(database: Database, id: string, reason: string | null): Promise<void> {
  await database.write(async (transaction) => {
    await readBatch(transaction, id)
    await transaction.update(batches).set({ timingSetAside: reason }).where(eq(batches.id, id))
  })
}
