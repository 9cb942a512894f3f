import type { Infusion } from '@vendange/core/stores'
import { infusedFrom } from '@vendange/core/stores'
import { and, eq, inArray, isNotNull } from 'drizzle-orm'
import type { Reader } from './database'
import { batchesBehind, recalledPiecesIn } from './pieces'
import { ingredients, lots, lotUses } from './schema'

/** Lots that the workshop infused itself, with what is in them. */
export async function readInfusions(
  reader: Reader,
): Promise<readonly { readonly id: string; readonly infusion: Infusion }[]> {
  const rows = await reader.select({ id: lots.id, infusion: lots.infusion }).from(lots).where(isNotNull(lots.infusion))
  return rows.flatMap(({ id, infusion }) => (infusion ? [{ id, infusion }] : []))
}

/** Lots in some batches, or in the soap that went into them in pieces, that were called back, by batch: "Olive oil K-1". */
export async function lotsCalledBackIn(
  reader: Reader,
  batchIds: readonly string[],
): Promise<ReadonlyMap<string, readonly string[]>> {
  const behind = await batchesBehind(reader, batchIds)
  const pieces = await recalledPiecesIn(reader, batchIds)
  const all = [...new Set([...batchIds, ...[...behind.values()].flatMap((ids) => [...ids])])]
  const recalled = await reader
    .select({ id: lots.id, name: ingredients.name, lotNumber: lots.lotNumber })
    .from(lots)
    .innerJoin(ingredients, eq(ingredients.id, lots.ingredientId))
    .where(eq(lots.isRecalled, true))
  /** Names of what was called back, by the lots that it is in. */
  const namesIn = new Map<string, string[]>()
  const infusions = recalled.length === 0 ? [] : await readInfusions(reader)
  for (const { id, name, lotNumber } of recalled)
    for (const lotId of [id, ...infusedFrom(id, infusions)])
      namesIn.set(lotId, [...(namesIn.get(lotId) ?? []), `${name} ${lotNumber}`.trim()])
  const rows =
    namesIn.size === 0
      ? []
      : await reader
          .selectDistinct({ batchId: lotUses.batchId, lotId: lotUses.lotId })
          .from(lotUses)
          .where(and(inArray(lotUses.batchId, all), inArray(lotUses.lotId, [...namesIn.keys()])))
  const found = new Map<string, string[]>()
  for (const { batchId, lotId } of rows)
    found.set(batchId, [...(found.get(batchId) ?? []), ...(namesIn.get(lotId) ?? [])])
  return new Map(
    batchIds.flatMap((id) => {
      const names = [
        ...[id, ...(behind.get(id) ?? [])].flatMap((one) => found.get(one) ?? []),
        ...(pieces.get(id) ?? []).map((lotCode) => `pieces of ${lotCode}`),
      ]
      return names.length > 0 ? [[id, [...new Set(names)]] as const] : []
    }),
  )
}
