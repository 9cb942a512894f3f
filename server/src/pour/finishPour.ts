import type { PieceUse } from '@vendange/core/batch'
import { mouldsOfPlan, piecesPerMould, piecesUsed, pouredPerMould, pourSession } from '@vendange/core/batch'
import type { Day } from '@vendange/core/calendar'
import { isRefused, refuse } from '@vendange/core/findings'
import { lotCode } from '@vendange/core/release'
import { and, eq, like } from 'drizzle-orm'
import type { BatchRow } from '../db/batchRow'
import { planOfBatch } from '../db/batchRow'
import type { Reader, Transaction } from '../db/database'
import { appendLoafEvent, readLoaves, readRecords } from '../db/loafRow'
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

/** What a pour came to. */
interface Filled {
  readonly moulds: readonly FilledMould[]
  readonly pieces: readonly PieceUse[]
  readonly soap: string
}

/** The moulds that were filled, once every step is done and nothing speaks against it. */
async function filledMoulds(reader: Reader, row: BatchRow): Promise<Filled> {
  const plan = await planOfBatch(reader, row)
  const records = await readRecords(reader, row.id)
  const state = pourSession(plan, records)
  const open = state.steps[state.nextIndex]
  if (open) throw refused([refuse('step_out_of_order', { first: open.title })])
  if (isRefused(state.findings)) throw refused(state.findings)
  const pouredG = pouredPerMould(plan, records)
  const pieces = piecesUsed(plan, records)
  const piecesG = piecesPerMould(pieces, mouldsOfPlan(plan))
  const moulds = mouldsOfPlan(plan).flatMap(({ count }, part) =>
    Array.from({ length: count }, () => ({ part, batterG: (pouredG[part] ?? 0) + (piecesG[part] ?? 0) })),
  )
  return { moulds, pieces, soap: plan.designName }
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

/** Pieces that went into a pour leave the bin: no more of them than it knows of. */
async function takeOutOfBin(
  transaction: Transaction,
  { loafId, colour, massG }: PieceUse,
  into: { readonly use: string; readonly batchId: string; readonly day: Day },
  stamp: { readonly at: string; readonly makerId: string },
): Promise<void> {
  const [loaf] = await readLoaves(transaction, [loafId])
  const left = loaf?.state.scrap.find((one) => one.colour === colour)?.massG ?? 0
  // What was weighed and the bin does not know of is in the soap all the same: the trace follows its plan.
  const taken = Math.min(massG, left)
  if (loaf && taken > 0)
    await appendLoafEvent(transaction, loafId, { type: 'scrap_used', massG: taken, colour, ...into }, stamp)
}

/** Makes a loaf of every mould that was filled, and says that the batch is poured. */
export async function finishPour(
  transaction: Transaction,
  row: BatchRow,
  { day, at, makerId }: PourEnd,
  newId: () => string,
): Promise<void> {
  const { moulds, pieces, soap } = await filledMoulds(transaction, row)
  const first = await nextNumberOn(transaction, day)
  for (const [index, { part, batterG }] of moulds.entries()) {
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
  for (const piece of pieces)
    await takeOutOfBin(transaction, piece, { use: soap, batchId: row.id, day }, { at, makerId })
  await transaction
    .update(batches)
    .set({ status: 'poured', pourDay: day, version: row.version + 1 })
    .where(and(eq(batches.id, row.id), eq(batches.version, row.version)))
}
