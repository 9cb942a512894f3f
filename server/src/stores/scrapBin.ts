import type { ScrapView } from '@vendange/contract'
import { inArray, sql } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { readLoaves } from '../db/loafRow'
import { batches, loaves } from '../db/schema'

/** The scrap bin: what every loaf still has in it, by colour; the oldest first. */
export async function scrapBin(reader: Reader): Promise<readonly ScrapView[]> {
  const rows = await reader
    .select({ id: loaves.id })
    .from(loaves)
    .where(sql`json_array_length(${loaves.state}, '$.scrap') > 0`)
  if (rows.length === 0) return []
  const found = await readLoaves(
    reader,
    rows.map(({ id }) => id),
  )
  const poured = await reader
    .select({ id: batches.id, frozen: batches.frozen })
    .from(batches)
    .where(inArray(batches.id, [...new Set(found.map(({ batchId }) => batchId))]))
  const scents = new Map(poured.map(({ id, frozen }) => [id, frozen?.plan.scent?.name ?? '']))
  return found
    .flatMap(({ id: loafId, lotCode, soapName: soap, batchId, state }) =>
      state.scrap.map(({ colour, hex, massG }) => ({
        ...{ loafId, lotCode, soap, colour, hex, massG },
        scent: scents.get(batchId) ?? '',
        day: state.cut?.day ?? state.pouredDay ?? '2000-01-01',
      })),
    )
    .sort(
      (a, b) => a.day.localeCompare(b.day) || a.lotCode.localeCompare(b.lotCode) || a.colour.localeCompare(b.colour),
    )
}
