import type { RoomDay } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import { asc, gte } from 'drizzle-orm'
import { roomReadings } from '../db/schema'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'

export interface RoomService {
  list(): Promise<readonly RoomDay[]>
  keep(reading: Omit<RoomDay, 'day'>): Promise<RoomDay>
}

const daysShown = 90

export function roomService({ database, clock }: Context): RoomService {
  return {
    list: async () => {
      const today = clock.today((await readWorkshop(database.read)).timeZone)
      return database.read
        .select()
        .from(roomReadings)
        .where(gte(roomReadings.day, addDays(today, -daysShown)))
        .orderBy(asc(roomReadings.day))
    },
    keep: (reading) =>
      database.write(async (transaction) => {
        const day = clock.today((await readWorkshop(transaction)).timeZone)
        await transaction
          .insert(roomReadings)
          .values({ day, ...reading })
          .onConflictDoUpdate({ target: roomReadings.day, set: reading })
        return { day, ...reading }
      }),
  }
}
