import type { NewCollection, NewDesign, SavedCollection, SavedDesign } from '@vendange/contract'
import { and, eq, ne } from 'drizzle-orm'
import type { KeptThings } from '../db/keptThings'
import { keptThings } from '../db/keptThings'
import { batches, collections, designs } from '../db/schema'
import type { Context } from '../parts/context'

export interface PlanService {
  readonly collections: KeptThings<NewCollection, SavedCollection>
  readonly designs: KeptThings<NewDesign, SavedDesign>
}

export function planService({ database, newId }: Context): PlanService {
  const onCalendar = and(eq(batches.isRemoved, false), ne(batches.status, 'poured'))
  return {
    collections: keptThings<NewCollection, SavedCollection>(database, collections, {
      noun: 'collection',
      newId,
      inUse: async (id, reader) => {
        const [pour] = await reader
          .select({ name: designs.name })
          .from(batches)
          .innerJoin(designs, eq(batches.designId, designs.id))
          .where(and(onCalendar, eq(designs.collectionId, id)))
          .limit(1)
        return pour && `${pour.name} is on the calendar. Take its pour off first.`
      },
    }),
    designs: keptThings<NewDesign, SavedDesign>(database, designs, {
      noun: 'design',
      newId,
      inUse: async (id, reader) => {
        const [pour] = await reader
          .select()
          .from(batches)
          .where(and(onCalendar, eq(batches.designId, id)))
          .limit(1)
        return pour && 'It is on the calendar. Take its pour off first.'
      },
    }),
  }
}
