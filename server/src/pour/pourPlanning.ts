import type { BatchSummary, NewBatch } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import { unplannable } from '@vendange/core/season'
import { eq } from 'drizzle-orm'
import type { BatchRow } from '../db/batchRow'
import { insertPlanned, readBatchSource, readBatchSummary, readToChange } from '../db/batchRow'
import type { Reader, Transaction } from '../db/database'
import { batches } from '../db/schema'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { refused } from '../parts/problems'

/** Pours on the calendar: put on it, moved, pinned, taken off and put back. */
export interface PourPlanning {
  create(batch: NewBatch): Promise<BatchSummary>
  move(id: string, pourDay: Day, cutDay: Day | null, version: number): Promise<BatchSummary>
  /** Pins a pour to its days, or lets it go. */
  pin(id: string, isPinned: boolean, version: number): Promise<BatchSummary>
  /** Takes a planned pour off the calendar, or puts it back. */
  setRemoved(id: string, isRemoved: boolean, version: number): Promise<BatchSummary>
}

/** Of a design that is poured in several the first part that no pour on the calendar makes any more. */
async function partTakenOff(reader: Reader, designId: string): Promise<Pick<BatchRow, 'own' | 'label'> | undefined> {
  const rows = await reader.select().from(batches).where(eq(batches.designId, designId)).orderBy(batches.label)
  const made = new Set(rows.filter(({ isRemoved }) => !isRemoved).map(({ label }) => label))
  const left = rows.find(({ own, label }) => own !== null && !made.has(label))
  return left && { own: left.own, label: left.label }
}

export function pourPlanning({ database, clock, newId }: Context): PourPlanning {
  async function refuseUnplannable(reader: Reader, pourDay: Day, cutDay: Day | null): Promise<void> {
    const today = clock.today((await readWorkshop(reader)).timeZone)
    const finding = unplannable({ pourDay, cutDay }, today)
    if (finding) throw refused([finding])
  }

  /** Changes a planned pour under its version, once `allow` has nothing against it. */
  const change = (
    id: string,
    version: number,
    values: Partial<BatchRow>,
    allow?: (transaction: Transaction) => Promise<void>,
  ): Promise<BatchSummary> =>
    database.write(async (transaction) => {
      await readToChange(transaction, id, version)
      await allow?.(transaction)
      await transaction
        .update(batches)
        .set({ ...values, version: version + 1 })
        .where(eq(batches.id, id))
      return readBatchSummary(transaction, id)
    })

  return {
    create: ({ designId, pourDay, cutDay = null }) =>
      database.write(async (transaction) => {
        await readBatchSource(transaction, designId)
        await refuseUnplannable(transaction, pourDay, cutDay)
        const left = await partTakenOff(transaction, designId)
        const id = newId()
        await insertPlanned(transaction, { id, designId, pourDay, cutDay, ...left })
        return readBatchSummary(transaction, id)
      }),
    move: (id, pourDay, cutDay, version) =>
      change(id, version, { pourDay, cutDay }, (transaction) => refuseUnplannable(transaction, pourDay, cutDay)),
    pin: (id, isPinned, version) => change(id, version, { isPinned }),
    setRemoved: (id, isRemoved, version) => change(id, version, { isRemoved }),
  }
}
