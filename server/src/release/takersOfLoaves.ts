import type { TakerBars, TakerEvent } from '@vendange/core/loaf'
import type { LoafState } from '@vendange/core/loaf'
import { takersOf } from '@vendange/core/loaf'
import { and, asc, inArray, sql } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { loafEvents } from '../db/schema'

/** What somebody has of a loaf, and of which. */
export interface TakerOfLoaf extends TakerBars {
  readonly loafId: string
  readonly lotCode: string
}

/** Whose bars of some loaves are whose, loaf by loaf. */
export async function takersOfLoaves(
  reader: Reader,
  loaves: readonly { readonly id: string; readonly lotCode: string; readonly state: LoafState }[],
): Promise<readonly TakerOfLoaf[]> {
  const rows = await reader
    .select({ loafId: loafEvents.loafId, event: loafEvents.event })
    .from(loafEvents)
    .where(
      and(
        inArray(
          loafEvents.loafId,
          loaves.map(({ id }) => id),
        ),
        sql`${loafEvents.event} ->> '$.type' IN ('allotted', 'sold', 'given_back')`,
      ),
    )
    .orderBy(asc(loafEvents.id))
  const events = new Map<string, TakerEvent[]>()
  for (const { loafId, event } of rows)
    if (event.type === 'allotted' || event.type === 'sold' || event.type === 'given_back')
      events.set(loafId, [...(events.get(loafId) ?? []), event])
  return loaves.flatMap(({ id: loafId, lotCode, state }) =>
    takersOf(state, events.get(loafId) ?? []).map((taker) => ({ ...taker, loafId, lotCode })),
  )
}
