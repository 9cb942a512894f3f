import type { NewMould, SavedMould } from '@vendange/contract'
import { and, eq } from 'drizzle-orm'
import type { KeptThings } from '../db/keptThings'
import { keptThings } from '../db/keptThings'
import { designs, moulds } from '../db/schema'
import type { Context } from '../parts/context'

export function mouldService({ database, newId }: Context): KeptThings<NewMould, SavedMould> {
  return keptThings<NewMould, SavedMould>(database, moulds, {
    noun: 'mould',
    newId,
    inUse: async (id, reader) => {
      const [design] = await reader
        .select()
        .from(designs)
        .where(and(eq(designs.mouldId, id), eq(designs.isRemoved, false)))
        .limit(1)
      return design && `${design.name} is poured into this mould. Give it another one first.`
    },
  })
}
