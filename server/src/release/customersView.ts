import type { BarsOfCustomer, CustomersView, SavedCustomer } from '@vendange/contract'
import { inArray, sql } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { readLoaves } from '../db/loafRow'
import { customers, loafEvents } from '../db/schema'
import { findRows } from '../db/versionedRepository'
import { takersOfLoaves } from './takersOfLoaves'

/** Subscribers and shops, and the bars that each has had and has, soap by soap. */
export async function customersView(reader: Reader): Promise<CustomersView> {
  const all = (await findRows<SavedCustomer>(reader, customers)).filter(({ isRemoved }) => !isRemoved)
  const given = await reader
    .selectDistinct({ loafId: loafEvents.loafId })
    .from(loafEvents)
    .where(
      sql`${loafEvents.event} ->> '$.type' = 'allotted' AND ${inArray(sql`${loafEvents.event} ->> '$.channel'`, ['Shops', 'Subscribers'])}`,
    )
  const loaves =
    given.length > 0
      ? await readLoaves(
          reader,
          given.map(({ loafId }) => loafId),
        )
      : []
  const soapOf = new Map(loaves.map((loaf) => [loaf.id, loaf]))
  const bars = new Map<string, BarsOfCustomer>()
  for (const { loafId, who, channel, aside, sold } of await takersOfLoaves(reader, loaves)) {
    const loaf = soapOf.get(loafId)
    if (!loaf || who === '' || (channel !== 'Shops' && channel !== 'Subscribers')) continue
    const key = JSON.stringify([channel, who, loaf.designId])
    const before = bars.get(key)
    bars.set(key, {
      who,
      channel,
      designId: loaf.designId,
      soap: loaf.soapName,
      aside: (before?.aside ?? 0) + aside,
      sold: (before?.sold ?? 0) + sold,
    })
  }
  return {
    customers: [...all].sort((a, b) => a.name.localeCompare(b.name)),
    bars: [...bars.values()].sort((a, b) => a.who.localeCompare(b.who) || a.soap.localeCompare(b.soap)),
  }
}
