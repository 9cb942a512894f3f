import type { LoafSummary } from '@vendange/contract'
import { mostListed } from '@vendange/contract'
import type { SQL } from 'drizzle-orm'
import { desc, eq } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { readLoaves } from '../db/loafRow'
import { batches, designs, loaves } from '../db/schema'

/** The newest loaves, {@link mostListed} at the most. */
export async function newestLoaves(reader: Reader, where?: SQL): Promise<readonly LoafSummary[]> {
  const rows = await reader
    .select({ id: loaves.id })
    .from(loaves)
    .innerJoin(batches, eq(loaves.batchId, batches.id))
    .innerJoin(designs, eq(batches.designId, designs.id))
    .where(where)
    .orderBy(desc(loaves.lotCode))
    .limit(mostListed)
  return readLoaves(
    reader,
    rows.map(({ id }) => id),
  )
}

export const loavesOfDesign = (reader: Reader, designId: string): Promise<readonly LoafSummary[]> =>
  newestLoaves(reader, eq(batches.designId, designId))
