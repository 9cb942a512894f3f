import type { LoafEvent } from '@vendange/core/loaf'
import { and, inArray, sql } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { loafEvents } from '../db/schema'

export type SoldEvent = Extract<LoafEvent, { type: 'sold' }>

/** What was sold of some loaves, by loaf; those of which nothing was are left out. */
export async function soldEvents(
  reader: Reader,
  loafIds: readonly string[],
): Promise<ReadonlyMap<string, readonly SoldEvent[]>> {
  const rows = await reader
    .select({ loafId: loafEvents.loafId, event: loafEvents.event })
    .from(loafEvents)
    .where(and(inArray(loafEvents.loafId, [...loafIds]), sql`${loafEvents.event} ->> '$.type' = 'sold'`))
  const of = new Map<string, SoldEvent[]>()
  for (const { loafId, event } of rows) {
    if (event.type !== 'sold') continue
    const known = of.get(loafId)
    if (known) known.push(event)
    else of.set(loafId, [event])
  }
  return of
}
