import type { BatchSummary, NewBatch, SavedMould, SoapPours } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import { sentence } from '@vendange/core/findings'
import { unplannable } from '@vendange/core/season'
import { and, eq, inArray, or } from 'drizzle-orm'
import { setImmediate } from 'node:timers/promises'
import type { BatchRow } from '../db/batchRow'
import { insertPlanned, readBatchSource, readBatchSummary, readToChange } from '../db/batchRow'
import type { Reader, Transaction } from '../db/database'
import { batches, moulds } from '../db/schema'
import { findRow } from '../db/versionedRepository'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { notFound, refused } from '../parts/problems'

/** Pours on the calendar: put on it, moved, pinned, taken off and put back. */
export interface PourPlanning {
  create(batch: NewBatch): Promise<BatchSummary>
  /**
   * Plans the pours of a soap at once, in the place of those that were planned. What was begun or poured stays.
   *
   * @throws 409 if one of those was changed or begun meanwhile; 422 for a day that no pour can have, or a mould of another kind
   */
  planSoap(pours: SoapPours): Promise<readonly BatchSummary[]>
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

/** "pour 2 of 4"; of a soap that was poured in part already, "pour 3". */
const labelOf = (at: number, of: number, before: number): string =>
  before > 0 ? `pour ${before + at + 1}` : of === 1 ? '' : `pour ${at + 1} of ${of}`

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
    planSoap: ({ designId, replaced, pours }) =>
      database.write(async (transaction) => {
        await readBatchSource(transaction, designId)
        for (const { id, version } of replaced) {
          const { designId: its } = await readToChange(transaction, id, version)
          if (its !== designId) throw notFound(sentence('no_such', { thing: 'pour' }))
        }
        // Those that were taken off belong to an older plan: none of them comes back into this one.
        await transaction.delete(batches).where(
          and(
            eq(batches.designId, designId),
            eq(batches.status, 'planned'),
            or(
              eq(batches.isRemoved, true),
              inArray(
                batches.id,
                replaced.map(({ id }) => id),
              ),
            ),
          ),
        )
        const standing = await transaction
          .select({ id: batches.id })
          .from(batches)
          .where(and(eq(batches.designId, designId), eq(batches.isRemoved, false)))
        const inOrder = [...pours].sort((a, b) => a.pourDay.localeCompare(b.pourDay))
        const made: BatchSummary[] = []
        for (const [at, { part, ...pour }] of inOrder.entries()) {
          await setImmediate()
          await refuseUnplannable(transaction, pour.pourDay, pour.cutDay)
          if (part) await findRow<SavedMould>(transaction, moulds, part.mouldId, 'mould')
          const id = newId()
          const label = labelOf(at, inOrder.length, standing.length)
          await insertPlanned(transaction, { id, designId, own: part, label, ...pour })
          made.push(await readBatchSummary(transaction, id))
        }
        return made
      }),
    move: (id, pourDay, cutDay, version) =>
      change(id, version, { pourDay, cutDay }, (transaction) => refuseUnplannable(transaction, pourDay, cutDay)),
    pin: (id, isPinned, version) => change(id, version, { isPinned }),
    setRemoved: (id, isRemoved, version) => change(id, version, { isRemoved }),
  }
}
