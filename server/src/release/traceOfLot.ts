import type { SavedIngredient, SavedLot, TraceView } from '@vendange/contract'
import type { GoneOut } from '@vendange/core/loaf'
import { freeBars, whereabouts } from '@vendange/core/loaf'
import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { findRow } from '../db/versionedRepository'
import { readLoaves } from '../db/loafRow'
import { batches, ingredients, loafEvents, loaves, lots, lotUses } from '../db/schema'

/** From a delivery to every bar that has some of it in it, and to who has those bars. @throws 404 if there is no such lot */
export async function traceOfLot(read: Reader, lotId: string): Promise<TraceView> {
  const lot = await findRow<SavedLot & { readonly usedAmount: number }>(read, lots, lotId, 'lot')
  const ingredient = await findRow<SavedIngredient>(read, ingredients, lot.ingredientId, 'ingredient')
  const used = await read
    .select({ loafId: loaves.id, batchId: batches.id })
    .from(lotUses)
    .innerJoin(batches, eq(lotUses.batchId, batches.id))
    .leftJoin(loaves, eq(loaves.batchId, batches.id))
    .where(eq(lotUses.lotId, lotId))
  const ids = [...new Set(used.flatMap(({ loafId }) => loafId ?? []))]
  const rows = ids.length > 0 ? await readLoaves(read, ids) : []
  const events = await read
    .select({ loafId: loafEvents.loafId, event: loafEvents.event })
    .from(loafEvents)
    .where(and(inArray(loafEvents.loafId, ids), sql`${loafEvents.event} ->> '$.type' IN ('allotted', 'sold')`))
    .orderBy(asc(loafEvents.id))
  const gone = new Map<string, GoneOut[]>()
  for (const { loafId, event } of events)
    if (event.type === 'allotted' || event.type === 'sold') gone.set(loafId, [...(gone.get(loafId) ?? []), event])
  return {
    lot,
    ingredientName: ingredient.name,
    usedAmount: lot.usedAmount,
    batches: new Set(used.map(({ batchId }) => batchId)).size,
    loaves: rows.map((loaf) => ({
      id: loaf.id,
      lotCode: loaf.lotCode,
      name: loaf.name,
      designId: loaf.designId,
      state: loaf.state,
      free: freeBars(loaf.state),
      whereabouts: whereabouts(loaf.state, gone.get(loaf.id) ?? []),
    })),
  }
}
