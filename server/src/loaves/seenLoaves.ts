import type { SeenBar } from '@vendange/core/observations'
import { seenBars } from '@vendange/core/observations'
import { desc, eq, isNotNull } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { readLoavesWithPlans } from '../db/loafRow'
import { batches, designs, loaves } from '../db/schema'

/** Loaves that are learned from: the newest. */
const mostSeen = 300

/** What the newest loaves showed of their kinds: when they were cut, and what was noticed when a bar was tried. */
export async function seenLoaves(reader: Reader): Promise<readonly SeenBar[]> {
  const rows = await reader
    .select({ id: loaves.id, recipeId: designs.recipeId })
    .from(loaves)
    .innerJoin(batches, eq(loaves.batchId, batches.id))
    .innerJoin(designs, eq(batches.designId, designs.id))
    .where(isNotNull(designs.recipeId))
    .orderBy(desc(loaves.lotCode))
    .limit(mostSeen)
  const recipeOf = new Map(rows.map(({ id, recipeId }) => [id, recipeId]))
  const read = await readLoavesWithPlans(
    reader,
    rows.map(({ id }) => id),
  )
  return seenBars(
    read.map(({ loaf, frozen }) => ({
      batchId: loaf.batchId,
      recipeId: recipeOf.get(loaf.id) ?? '',
      recipe: frozen.plan.recipe,
      state: loaf.state,
    })),
  )
}
