import { isDoneWith, loafState } from '@vendange/core/loaf'
import { cleanAmount } from '@vendange/core/stores'
import { asc, eq, sql } from 'drizzle-orm'
import { isDeepStrictEqual } from 'node:util'
import type { Reader } from './drizzle'
import { loafEvents, loaves, lots, lotUses } from './schema'

/** What is kept of a loaf or a lot beside what it follows from, and is not what follows. */
export async function firstUnlikeItsEvents(reader: Reader): Promise<string | undefined> {
  const events = await reader.select().from(loafEvents).orderBy(asc(loafEvents.loafId), asc(loafEvents.sequence))
  const byLoaf = new Map<string, (typeof events)[number][]>()
  for (const event of events) byLoaf.set(event.loafId, [...(byLoaf.get(event.loafId) ?? []), event])
  for (const loaf of await reader.select().from(loaves)) {
    const own = byLoaf.get(loaf.id) ?? []
    const state = loafState(own.map(({ event }) => event))
    const isCounted = own.length === loaf.version && own.every(({ sequence }, at) => sequence === at + 1)
    const isLike =
      loaf.state === null ||
      isDeepStrictEqual(JSON.parse(JSON.stringify(state)), JSON.parse(JSON.stringify(loaf.state)))
    if (!isCounted || !isLike || loaf.status !== state.status || (loaf.state && loaf.isDone !== isDoneWith(state)))
      return loaf.lotCode
  }
  const used = await reader
    .select({
      id: lots.id,
      lotNumber: lots.lotNumber,
      kept: lots.usedAmount,
      amount: sql<number>`sum(${lotUses.amount})`,
    })
    .from(lots)
    .leftJoin(lotUses, eq(lotUses.lotId, lots.id))
    .groupBy(lots.id)
  return used.find(({ kept, amount }) => cleanAmount(kept) !== cleanAmount(amount ?? 0))?.lotNumber
}
