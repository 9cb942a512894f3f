import { and, inArray, like } from 'drizzle-orm'
import type { Reader } from './database'
import { batches, loaves } from './schema'

/** Pours that take pieces of earlier soap say so in their plan; most take none, and need no reading. */
const takesPieces = like(batches.frozen, '%"pieces"%')

/** A loaf with what its plan says of pieces in it. */
export interface LoafWithPieces {
  readonly loafId: string
  readonly pieces: readonly { readonly loafId: string; readonly lotCode: string }[]
}

/** Every loaf that has pieces of another in it. */
export async function loavesWithPieces(reader: Reader): Promise<readonly LoafWithPieces[]> {
  // The pours first: a plan is read once, not once for each of its loaves.
  const poured = await reader.select({ id: batches.id, frozen: batches.frozen }).from(batches).where(takesPieces)
  if (poured.length === 0) return []
  const piecesOf = new Map(poured.map(({ id, frozen }) => [id, frozen?.plan.pieces ?? []]))
  const rows = await reader
    .select({ loafId: loaves.id, batchId: loaves.batchId })
    .from(loaves)
    .where(inArray(loaves.batchId, [...piecesOf.keys()]))
  return rows.map(({ loafId, batchId }) => ({ loafId, pieces: piecesOf.get(batchId) ?? [] }))
}

/** The pours behind each of some: those whose soap went into them in pieces, and those behind these. */
export async function batchesBehind(
  reader: Reader,
  batchIds: readonly string[],
): Promise<ReadonlyMap<string, ReadonlySet<string>>> {
  const direct = new Map<string, readonly string[]>()
  for (let open: readonly string[] = batchIds; open.length > 0;) {
    const rows = await reader
      .select({ id: batches.id, frozen: batches.frozen })
      .from(batches)
      .where(and(inArray(batches.id, [...open]), takesPieces))
    const loafIds = rows.flatMap(({ frozen }) => (frozen?.plan.pieces ?? []).map(({ loafId }) => loafId))
    const sources =
      loafIds.length === 0
        ? []
        : await reader
            .select({ loafId: loaves.id, batchId: loaves.batchId })
            .from(loaves)
            .where(inArray(loaves.id, loafIds))
    const batchOf = new Map(sources.map(({ loafId, batchId }) => [loafId, batchId]))
    for (const { id, frozen } of rows)
      direct.set(id, [...new Set((frozen?.plan.pieces ?? []).flatMap(({ loafId }) => batchOf.get(loafId) ?? []))])
    open = [...new Set(sources.map(({ batchId }) => batchId))].filter((id) => !direct.has(id))
    for (const id of open) direct.set(id, [])
  }
  const behind = (id: string, seen: Set<string>): Set<string> => {
    for (const source of direct.get(id) ?? [])
      if (!seen.has(source)) {
        seen.add(source)
        behind(source, seen)
      }
    return seen
  }
  return new Map(batchIds.map((id) => [id, behind(id, new Set())]))
}
