import type { SavedIngredient, SavedLot, TraceView } from '@vendange/contract'
import type { GoneOut } from '@vendange/core/loaf'
import { freeBars, whereabouts } from '@vendange/core/loaf'
import { infusedFrom } from '@vendange/core/stores'
import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { findRow } from '../db/versionedRepository'
import { readLoaves } from '../db/loafRow'
import { loavesWithPieces } from '../db/pieces'
import { readInfusions } from '../db/calledBack'
import { batches, ingredients, loafEvents, loaves, lots, lotUses } from '../db/schema'

/** Soaps that took pieces of some loaves, or of those that took them, with the lots of the loaves that the pieces are of. */
async function throughPieces(
  read: Reader,
  loafIds: readonly string[],
): Promise<ReadonlyMap<string, readonly string[]>> {
  const rows = loafIds.length === 0 ? [] : await loavesWithPieces(read)
  const found = new Map<string, readonly string[]>()
  const known = new Set(loafIds)
  for (let size = -1; size !== known.size;) {
    size = known.size
    for (const { loafId, pieces } of rows) {
      const theirs = pieces.filter((piece) => known.has(piece.loafId))
      if (theirs.length === 0 || known.has(loafId)) continue
      known.add(loafId)
      found.set(loafId, [...new Set(theirs.map(({ lotCode }) => lotCode))])
    }
  }
  return found
}

/** From a delivery to every bar that has some of it in it, and to who has those bars. @throws 404 if there is no such lot */
export async function traceOfLot(read: Reader, lotId: string): Promise<TraceView> {
  const lot = await findRow<SavedLot & { readonly usedAmount: number }>(read, lots, lotId, 'lot')
  const ingredient = await findRow<SavedIngredient>(read, ingredients, lot.ingredientId, 'ingredient')
  const used = await read
    .select({ loafId: loaves.id, batchId: batches.id })
    .from(lotUses)
    .innerJoin(batches, eq(lotUses.batchId, batches.id))
    .leftJoin(loaves, eq(loaves.batchId, batches.id))
    .where(inArray(lotUses.lotId, [lotId, ...infusedFrom(lotId, await readInfusions(read))]))
  const direct = [...new Set(used.flatMap(({ loafId }) => loafId ?? []))]
  const through = await throughPieces(read, direct)
  const ids = [...direct, ...through.keys()]
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
      through: through.get(loaf.id) ?? [],
      whereabouts: whereabouts(loaf.state, gone.get(loaf.id) ?? []),
    })),
  }
}
