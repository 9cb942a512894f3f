import type { LoafSummary } from '@vendange/contract'
import type { SalePage, SaleQuery, SaleRow } from '@vendange/core/release'
import { pageOfSales } from '@vendange/core/release'
import { keptLines } from '../db/keptByLoaf'
import { readLoaves } from '../db/loafRow'
import type { ReadingContext } from '../parts/context'
import { soldEvents } from './soldEvents'

/** Loaf by loaf, as they were written down. */
const asWritten = (a: SaleRow, b: SaleRow): number => (a.key < b.key ? -1 : a.key > b.key ? 1 : 0)

/** All sales as a table. */
export function salesTable({ database }: ReadingContext): (query: SaleQuery) => Promise<SalePage> {
  const sales = keptLines(
    database,
    async (reader, ids) => {
      const sold = await soldEvents(reader, ids)
      const rowsOf = ({ id: loafId, lotCode, soapName: soap }: LoafSummary): readonly SaleRow[] =>
        (sold.get(loafId) ?? []).map(({ saleId, day, channel, buyer, bars, priceCents }, at) => ({
          key: `${loafId} ${String(at).padStart(4, '0')}`,
          ...{ saleId, loafId, lotCode, soap, day, channel, buyer, bars, priceCents },
        }))
      return new Map((await readLoaves(reader, ids)).map((loaf) => [loaf.id, rowsOf(loaf)]))
    },
    asWritten,
  )
  return async (query) => pageOfSales(await sales(), query)
}
