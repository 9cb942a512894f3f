import type { LoafSummary } from '@vendange/contract'
import { eq } from 'drizzle-orm'
import { lotsCalledBackIn } from '../db/calledBack'
import type { Reader } from '../db/database'
import { readLoaves } from '../db/loafRow'
import { batches, loaves } from '../db/schema'

/** Loaves of a soap that are not done with. */
export async function loavesOfDesign(reader: Reader, designId: string): Promise<readonly LoafSummary[]> {
  const rows = await reader
    .select({ id: loaves.id })
    .from(loaves)
    .innerJoin(batches, eq(loaves.batchId, batches.id))
    .where(eq(batches.designId, designId))
  return readLoaves(
    reader,
    rows.map(({ id }) => id),
  )
}

/** Loaves of a soap, with what was called back of the lots in them. */
export async function withCalledBack(
  reader: Reader,
  loavesOfSoap: readonly LoafSummary[],
): Promise<readonly { readonly loaf: LoafSummary; readonly calledBack: readonly string[] }[]> {
  const found = await lotsCalledBackIn(
    reader,
    loavesOfSoap.map(({ batchId }) => batchId),
  )
  return loavesOfSoap.map((loaf) => ({ loaf, calledBack: found.get(loaf.batchId) ?? [] }))
}

/** Loaves of a soap whose bars may be sold as far as recalls go: neither they nor a lot in them was called back. */
export async function sellableLoaves(reader: Reader, designId: string): Promise<readonly LoafSummary[]> {
  const all = await withCalledBack(reader, await loavesOfDesign(reader, designId))
  return all.flatMap(({ loaf, calledBack }) =>
    calledBack.length === 0 && loaf.state.recallReason === undefined ? [loaf] : [],
  )
}
