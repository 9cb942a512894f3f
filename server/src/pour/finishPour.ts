import { mouldsOfPlan, pouredPerMould, pourSession } from '@vendange/core/batch'
import type { Day } from '@vendange/core/calendar'
import { isRefused, refuse } from '@vendange/core/findings'
import { lotCode } from '@vendange/core/release'
import { and, eq, like } from 'drizzle-orm'
import type { BatchRow } from '../db/batchRow'
import { planOfBatch } from '../db/batchRow'
import type { Reader, Transaction } from '../db/database'
import { appendLoafEvent, readRecords } from '../db/loafRow'
import { batches, loaves } from '../db/schema'
import { refused } from '../parts/problems'

/** When and by whom a pour was finished. */
export interface PourEnd {
  readonly day: Day
  /** ISO 8601. */
  readonly at: string
  readonly makerId: string
}

/** A mould that was filled: which part of the batch's moulds it is of, and the batter that it got. */
interface FilledMould {
  readonly part: number
  readonly batterG: number
}

/** The moulds that were filled, once every step is done and nothing speaks against it. */
async function filledMoulds(reader: Reader, row: BatchRow): Promise<readonly FilledMould[]> {
  const plan = await planOfBatch(reader, row)
  const records = await readRecords(reader, row.id)
  const state = pourSession(plan, records)
  const open = state.steps[state.nextIndex]
  if (open) throw refused([refuse('step_out_of_order', { first: open.title })])
  if (isRefused(state.findings)) throw refused(state.findings)
  const pouredG = pouredPerMould(plan, records)
  return mouldsOfPlan(plan).flatMap(({ count }, part) =>
    Array.from({ length: count }, () => ({ part, batterG: pouredG[part] ?? 0 })),
  )
}

/** The number that the next loaf of a day gets in its lot code. */
async function nextNumberOn(reader: Reader, day: Day): Promise<number> {
  const prefix = lotCode(day, 1).slice(0, -1)
  const sameDay = await reader
    .select({ id: loaves.id })
    .from(loaves)
    .where(like(loaves.lotCode, `${prefix}%`))
  return sameDay.length + 1
}

/** Makes a loaf of every mould that was filled, and says that the batch is poured. */
export async function finishPour(
  transaction: Transaction,
  row: BatchRow,
  { day, at, makerId }: PourEnd,
  newId: () => string,
): Promise<void> {
  const filled = await filledMoulds(transaction, row)
  const first = await nextNumberOn(transaction, day)
  for (const [index, { part, batterG }] of filled.entries()) {
    const id = newId()
    await transaction.insert(loaves).values({
      id,
      batchId: row.id,
      part,
      version: 0,
      status: 'in_mould',
      lotCode: lotCode(day, first + index),
    })
    await appendLoafEvent(transaction, id, { type: 'poured', day, batterG }, { at, makerId })
  }
  await transaction
    .update(batches)
    .set({ status: 'poured', pourDay: day, version: row.version + 1 })
    .where(and(eq(batches.id, row.id), eq(batches.version, row.version)))
}
