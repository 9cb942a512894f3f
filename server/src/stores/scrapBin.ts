import type { ScrapView } from '@vendange/contract'
import { sql } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { readLoavesWithPlans } from '../db/loafRow'
import { loaves } from '../db/schema'

/** The scrap bin: what every loaf still has in it, by colour; the oldest first. */
export async function scrapBin(reader: Reader): Promise<readonly ScrapView[]> {
  const rows = await reader
    .select({ id: loaves.id })
    .from(loaves)
    .where(sql`json_array_length(${loaves.state}, '$.scrap') > 0`)
  const found = await readLoavesWithPlans(
    reader,
    rows.map(({ id }) => id),
  )
  return found
    .flatMap(({ loaf: { id: loafId, lotCode, soapName: soap, state }, frozen }) =>
      state.scrap.map(({ colour, hex, massG }) => ({
        ...{ loafId, lotCode, soap, colour, hex, massG },
        scent: frozen.plan.scent?.name ?? '',
        day: state.cut?.day ?? state.pouredDay ?? '2000-01-01',
      })),
    )
    .sort(
      (a, b) => a.day.localeCompare(b.day) || a.lotCode.localeCompare(b.lotCode) || a.colour.localeCompare(b.colour),
    )
}
