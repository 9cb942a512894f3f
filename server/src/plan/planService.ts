import { sentence } from '@vendange/core/findings'
import type { NewCollection, NewDesign, PourOfCollection, SavedCollection, SavedDesign } from '@vendange/contract'
import { and, eq, ne } from 'drizzle-orm'
import { benchHours } from '@vendange/core/plan'
import type { VersionedRepository } from '../db/versionedRepository'
import { versionedRepository } from '../db/versionedRepository'
import { readRecords } from '../db/loafRow'
import { batches, collections, designs } from '../db/schema'
import { lotsUsedIn } from '../db/storesRow'
import type { Context } from '../parts/context'

export interface PlanService {
  readonly collections: VersionedRepository<NewCollection, SavedCollection>
  readonly designs: VersionedRepository<NewDesign, SavedDesign>
  /** What the pours of a collection took. */
  pours(collectionId: string): Promise<readonly PourOfCollection[]>
}

export function planService({ database, newId }: Context): PlanService {
  const onCalendar = and(eq(batches.isRemoved, false), ne(batches.status, 'poured'))
  return {
    collections: versionedRepository<NewCollection, SavedCollection>(database, collections, {
      noun: 'collection',
      newId,
      inUse: async (id, reader) => {
        const [pour] = await reader
          .select({ name: designs.name })
          .from(batches)
          .innerJoin(designs, eq(batches.designId, designs.id))
          .where(and(onCalendar, eq(designs.collectionId, id)))
          .limit(1)
        return pour && sentence('soap_on_calendar', { soap: pour.name })
      },
    }),
    pours: async (collectionId) => {
      const rows = await database.read
        .select({ batch: batches })
        .from(batches)
        .innerJoin(designs, eq(batches.designId, designs.id))
        .where(and(eq(designs.collectionId, collectionId), eq(batches.status, 'poured'), eq(batches.isRemoved, false)))
      return Promise.all(
        rows.map(async ({ batch: { id: batchId, designId, frozen } }) => {
          const records = await readRecords(database.read, batchId)
          const used = await lotsUsedIn(database.read, records)
          const { prepHours = 0, pourHours = 0 } = frozen?.demand ?? {}
          return {
            batchId,
            designId,
            plannedHours: prepHours + pourHours,
            benchHours: benchHours(records.map(({ at }) => at)),
            ingredientCents: used.reduce((sum, { cents }) => sum + (cents ?? 0), 0),
          }
        }),
      )
    },
    designs: versionedRepository<NewDesign, SavedDesign>(database, designs, {
      noun: 'design',
      newId,
      inUse: async (id, reader) => {
        const [pour] = await reader
          .select()
          .from(batches)
          .where(and(onCalendar, eq(batches.designId, id)))
          .limit(1)
        return pour && sentence('on_calendar')
      },
    }),
  }
}
