import type { DamagedRow, NewMaker, SavedMaker, SavedWorkshop, WorkshopDetails } from '@vendange/contract'
import { sentence } from '@vendange/core/findings'
import { and, eq, ne } from 'drizzle-orm'
import type { VersionedRepository } from '../db/versionedRepository'
import { versionedRepository } from '../db/versionedRepository'
import { openDamage } from '../db/damage/openDamage'
import { damagedRows, makers, workshop } from '../db/schema'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { notFound, stale } from '../parts/problems'

export interface WorkshopService {
  update(details: WorkshopDetails & { readonly version: number }): Promise<SavedWorkshop>
  readonly makers: VersionedRepository<NewMaker, SavedMaker>
  /** Damaged records that nobody has seen to yet, the newest first. */
  damage(): Promise<readonly DamagedRow[]>
  /** Says that one was seen to. @returns the others */
  settleDamage(id: string): Promise<readonly DamagedRow[]>
}

export function workshopService({ database, newId }: Context): WorkshopService {
  return {
    damage: () => openDamage(database.read),
    settleDamage: (id) =>
      database.write(async (transaction) => {
        const number = Number(id)
        if (!Number.isSafeInteger(number)) throw notFound(sentence('id_unread'))
        await transaction.update(damagedRows).set({ isSettled: true }).where(eq(damagedRows.id, number))
        return openDamage(transaction)
      }),
    update: ({ version, ...details }) =>
      database.write(async (transaction) => {
        const before = await readWorkshop(transaction)
        if (before.version !== version) throw stale('workshop', before)
        await transaction
          .update(workshop)
          .set({ ...details, version: version + 1 })
          .where(eq(workshop.id, 1))
        return readWorkshop(transaction)
      }),
    makers: versionedRepository<NewMaker, SavedMaker>(database, makers, {
      noun: 'maker',
      newId,
      inUse: async (id, reader) => {
        const others = await reader
          .select({ id: makers.id })
          .from(makers)
          .where(and(ne(makers.id, id), eq(makers.isRemoved, false)))
        return others.length === 0 ? sentence('last_maker') : undefined
      },
    }),
  }
}
