import { and, inArray, like, sql } from 'drizzle-orm'
import type { Reader } from './database'
import { batches, loaves } from './schema'

/** Pours that take pieces of earlier soap say so in their plan; most take none, and need no reading. */
const takesPieces = like(batches.frozen, '%"pieces"%')

/** A loaf with what its plan says of pieces in it. */
export interface LoafWithPieces {
  readonly loafId: string
  readonly batchId: string
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
  return rows.map(({ loafId, batchId }) => ({ loafId, batchId, pieces: piecesOf.get(batchId) ?? [] }))
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

/** Loaves that were called back and are in some pours in pieces, also in pieces of pieces: their lots, by pour. */
export async function recalledPiecesIn(
  reader: Reader,
  batchIds: readonly string[],
): Promise<ReadonlyMap<string, readonly string[]>> {
  const wanted = await reader
    .select({ id: batches.id, frozen: batches.frozen })
    .from(batches)
    .where(and(inArray(batches.id, [...batchIds]), takesPieces))
  if (wanted.length === 0) return new Map()
  const ofLoaf = new Map((await loavesWithPieces(reader)).map(({ loafId, pieces }) => [loafId, pieces]))
  const recalled = await reader
    .select({ id: loaves.id })
    .from(loaves)
    .where(sql`${loaves.state} ->> '$.recallReason' IS NOT NULL`)
  const isRecalled = new Set(recalled.map(({ id }) => id))
  const found = new Map<string, readonly string[]>()
  for (const { id, frozen } of wanted) {
    const lots = new Set<string>()
    const seen = new Set<string>()
    const open: { readonly loafId: string; readonly lotCode: string }[] = [...(frozen?.plan.pieces ?? [])]
    for (let piece = open.pop(); piece; piece = open.pop()) {
      if (seen.has(piece.loafId)) continue
      seen.add(piece.loafId)
      if (isRecalled.has(piece.loafId)) lots.add(piece.lotCode)
      open.push(...(ofLoaf.get(piece.loafId) ?? []))
    }
    if (lots.size > 0) found.set(id, [...lots])
  }
  return found
}
