import { getTableName, sql } from 'drizzle-orm'
import { openFile } from '../openFile'
import { drizzleOver } from '../drizzle'
import type { DamagedField } from '../schema/damagedRows'
import type { Damage } from './mendDamage'
import { mended, nameOf } from './mendDamage'
import type { RawReader } from './rawRows'
import { plainlyDamaged, rawRows } from './rawRows'
import type { TableKind } from './tableKinds'
import { tableKinds } from './tableKinds'

async function plainlyDamagedIn(reader: RawReader, { table }: TableKind): Promise<readonly number[]> {
  const name = sql.identifier(getTableName(table))
  const rows = await reader.all<{ id: number }>(sql`SELECT rowid AS id FROM ${name} WHERE ${plainlyDamaged(table)}`)
  return rows.map(({ id }) => id)
}

const damagedIn = async (reader: RawReader, kind: TableKind): Promise<readonly number[]> =>
  (await rawRows(reader, kind.table)).flatMap((row) => (mended(kind, row) ? [row.rowid] : []))

/**
 * Looks for rows that are damaged.
 *
 * @param file the database
 * @param isPlain only those that no reader can take, which is quick; else every row is held against what it should be
 */
export async function findDamage(file: string, isPlain: boolean): Promise<Damage> {
  const client = openFile(file)
  try {
    const reader = drizzleOver(client)
    const found = new Map<string, readonly number[]>()
    for (const kind of tableKinds) {
      const rowids = await (isPlain ? plainlyDamagedIn : damagedIn)(reader, kind)
      if (rowids.length > 0) found.set(getTableName(kind.table), rowids)
    }
    return found
  } finally {
    client.close()
  }
}

/** What of a row cannot be read, of the first one found in any table. Nothing is changed. */
export async function firstDamage(
  reader: RawReader,
): Promise<{ readonly table: string; readonly name: string; readonly fields: readonly DamagedField[] } | undefined> {
  for (const kind of tableKinds)
    for (const row of await rawRows(reader, kind.table)) {
      const found = mended(kind, row)
      if (found) return { table: getTableName(kind.table), name: nameOf(kind, found.values), fields: found.fields }
    }
  return undefined
}
