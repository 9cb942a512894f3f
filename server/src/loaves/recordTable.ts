import type { RecordPage, RecordTableQuery } from '@vendange/contract'
import { and, asc, count, desc, eq, inArray, or, sql } from 'drizzle-orm'
import type { SQL } from 'drizzle-orm'
import { wordsOf } from '@vendange/core/tables'
import type { Reader } from '../db/database'
import { readLoaves } from '../db/loafRow'
import { batches, designs, loafEvents, loaves, makers } from '../db/schema'

/** What a search may not mean by itself. */
const escaped = (word: string): string => `%${word.replace(/[\\%_]/g, '\\$&')}%`
const contains = (column: SQL | typeof designs.name | typeof loaves.lotCode, word: string) =>
  sql`${column} LIKE ${escaped(word)} ESCAPE '\\'`

/** What happened to all loaves, a page of it, in the order in which it was written down. */
export async function recordTable(
  reader: Reader,
  { text, type, makerId, from, to, isDescending, page, perPage }: RecordTableQuery,
): Promise<RecordPage> {
  const words = wordsOf(text)
  /** Loaves that the words mean: few beside what happened to them. */
  const meant =
    words.length === 0
      ? undefined
      : inArray(
          loafEvents.loafId,
          reader
            .select({ id: loaves.id })
            .from(loaves)
            .innerJoin(batches, eq(batches.id, loaves.batchId))
            .innerJoin(designs, eq(designs.id, batches.designId))
            .where(and(...words.map((word) => or(contains(designs.name, word), contains(loaves.lotCode, word))))),
        )
  const wished = and(
    meant,
    ...(type === null ? [] : [sql`${loafEvents.event} ->> '$.type' = ${type}`]),
    ...(makerId === null ? [] : [eq(loafEvents.makerId, makerId)]),
    ...(from === null ? [] : [sql`${loafEvents.event} ->> '$.day' >= ${from}`]),
    ...(to === null ? [] : [sql`${loafEvents.event} ->> '$.day' <= ${to}`]),
  )
  const [counted] = await reader.select({ total: count() }).from(loafEvents).where(wished)
  const rows = await reader
    .select({
      number: loafEvents.id,
      at: loafEvents.at,
      maker: makers.name,
      loafId: loafEvents.loafId,
      event: loafEvents.event,
    })
    .from(loafEvents)
    .innerJoin(makers, eq(makers.id, loafEvents.makerId))
    .where(wished)
    .orderBy((isDescending ? desc : asc)(loafEvents.id))
    .limit(perPage)
    .offset((page - 1) * perPage)
  const own = [...new Set(rows.map(({ loafId }) => loafId))]
  const told = new Map((own.length === 0 ? [] : await readLoaves(reader, own)).map((loaf) => [loaf.id, loaf]))
  return {
    rows: rows.map((row) => ({
      ...row,
      lotCode: told.get(row.loafId)?.lotCode ?? '',
      soap: told.get(row.loafId)?.name ?? '',
    })),
    total: counted?.total ?? 0,
    facets: { makers: await reader.select({ id: makers.id, name: makers.name }).from(makers) },
  }
}
