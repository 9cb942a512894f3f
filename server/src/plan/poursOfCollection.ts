import type { PourOfCollection } from '@vendange/contract'
import { benchHours } from '@vendange/core/plan'
import { and, eq } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { readRecordsOf } from '../db/loafRow'
import { batches, designs } from '../db/schema'
import { lotsUsedInEach } from '../db/storesRow'

/** What the pours of a collection took of hours and ingredients. */
export async function poursOfCollection(reader: Reader, collectionId: string): Promise<readonly PourOfCollection[]> {
  const poured = await reader
    .select({ batchId: batches.id, designId: batches.designId, frozen: batches.frozen })
    .from(batches)
    .innerJoin(designs, eq(batches.designId, designs.id))
    .where(and(eq(designs.collectionId, collectionId), eq(batches.status, 'poured'), eq(batches.isRemoved, false)))
  const recordsOf = await readRecordsOf(
    reader,
    poured.map(({ batchId }) => batchId),
  )
  const usedIn = await lotsUsedInEach(reader, recordsOf)
  return poured.map(({ batchId, designId, frozen }) => {
    const { prepHours = 0, pourHours = 0 } = frozen?.demand ?? {}
    return {
      batchId,
      designId,
      plannedHours: prepHours + pourHours,
      benchHours: benchHours((recordsOf.get(batchId) ?? []).map(({ at }) => at)),
      ingredientCents: (usedIn.get(batchId) ?? []).reduce((sum, { cents }) => sum + (cents ?? 0), 0),
    }
  })
}
