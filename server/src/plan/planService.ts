import { refuse, sentence } from '@vendange/core/findings'
import type { NewCollection, NewDesign, SavedCollection, SavedDesign } from '@vendange/contract'
import type { Finding } from '@vendange/core/findings'
import { and, eq, inArray, ne } from 'drizzle-orm'
import type { VersionedRepository } from '../db/versionedRepository'
import { versionedRepository } from '../db/versionedRepository'
import type { Reader } from '../db/database'
import { batches, collections, designs, moulds } from '../db/schema'
import type { Context } from '../parts/context'

export interface PlanService {
  readonly collections: VersionedRepository<NewCollection, SavedCollection>
  readonly designs: VersionedRepository<NewDesign, SavedDesign>
}

/** Things that a soap names and that no key of the database holds. */
async function pointsAtNothing({ moreMoulds, broughtFromId }: NewDesign, reader: Reader): Promise<readonly Finding[]> {
  const wanted = moreMoulds.map(({ mouldId }) => mouldId)
  const found = await reader.select({ id: moulds.id }).from(moulds).where(inArray(moulds.id, wanted))
  const missing = wanted.findIndex((mouldId) => !found.some(({ id }) => id === mouldId))
  if (missing >= 0) return [refuse('id_unread', undefined, `moreMoulds[${missing}].mouldId`)]
  if (broughtFromId === null) return []
  const [before] = await reader.select({ id: designs.id }).from(designs).where(eq(designs.id, broughtFromId))
  return before ? [] : [refuse('id_unread', undefined, 'broughtFromId')]
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
      check: pointsAtNothing,
    }),
  }
}
