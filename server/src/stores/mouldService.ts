import { sentence } from '@vendange/core/findings'
import type { NewMould, SavedMould } from '@vendange/contract'
import { eq } from 'drizzle-orm'
import type { VersionedRepository } from '../db/versionedRepository'
import { versionedRepository } from '../db/versionedRepository'
import { designs, moulds } from '../db/schema'
import type { Context } from '../parts/context'

export function mouldService({ database, newId }: Context): VersionedRepository<NewMould, SavedMould> {
  return versionedRepository<NewMould, SavedMould>(database, moulds, {
    noun: 'mould',
    newId,
    inUse: async (id, reader) => {
      const kept = await reader.select().from(designs).where(eq(designs.isRemoved, false))
      const design = kept.find(
        ({ mouldId, moreMoulds }) => mouldId === id || moreMoulds.some((more) => more.mouldId === id),
      )
      return design && sentence('mould_in_use', { soap: design.name })
    },
  })
}
