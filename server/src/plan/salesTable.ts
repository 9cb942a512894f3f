import type { SalePage, SaleQuery, SaleRow } from '@vendange/core/release'
import { pageOfSales } from '@vendange/core/release'
import { readLoaves } from '../db/loafRow'
import { loaves } from '../db/schema'
import type { ReadingContext } from '../parts/context'
import { soldEvents } from './soldEvents'

/** Loaves are read in so many at a time. */
const atOnce = 500

/**
 * All sales as a table. What was read of a loaf is kept until something more happens to it, so that the sales of many
 * years are read once and not at every question.
 */
export function salesTable({ database }: ReadingContext): (query: SaleQuery) => Promise<SalePage> {
  let epoch: number | undefined
  let known = new Map<string, { readonly version: number; readonly rows: readonly SaleRow[] }>()

  async function read(ids: readonly string[]): Promise<void> {
    for (let start = 0; start < ids.length; start += atOnce) {
      const some = ids.slice(start, start + atOnce)
      const sold = await soldEvents(database.read, some)
      for (const { id: loafId, version, lotCode, soapName: soap } of await readLoaves(database.read, some))
        known.set(loafId, {
          version,
          rows: (sold.get(loafId) ?? []).map(({ saleId, day, channel, buyer, bars, priceCents }, at) => ({
            key: `${loafId} ${String(at).padStart(4, '0')}`,
            ...{ saleId, loafId, lotCode, soap, day, channel, buyer, bars, priceCents },
          })),
        })
    }
  }

  return async (query) => {
    if (epoch !== database.epoch()) known = new Map()
    epoch = database.epoch()
    const now = await database.read.select({ id: loaves.id, version: loaves.version }).from(loaves)
    const ids = new Set(now.map(({ id }) => id))
    for (const id of known.keys()) if (!ids.has(id)) known.delete(id)
    await read(now.flatMap(({ id, version }) => (known.get(id)?.version === version ? [] : [id])))
    return pageOfSales(
      [...known.values()].flatMap(({ rows }) => rows),
      query,
    )
  }
}
