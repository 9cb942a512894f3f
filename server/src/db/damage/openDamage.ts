import type { DamagedRow } from '@vendange/contract'
import { desc, eq, getTableName, sql } from 'drizzle-orm'
import type { Reader } from '../drizzle'
import { damagedRows } from '../schema'
import { tableKinds } from './tableKinds'

/** The version in which something is now; nothing for what has none, or is gone. */
async function versionNow(reader: Reader, tableName: string, rowId: string): Promise<number | undefined> {
  const kind = tableKinds.find(({ table }) => getTableName(table) === tableName)
  if (!kind) return undefined
  const [row] = await reader
    .select({ version: sql<number>`version` })
    .from(kind.table)
    .where(sql`id = ${rowId}`)
  return row?.version
}

/** Damaged records that nobody has mended or said to have seen, the newest first. */
export async function openDamage(reader: Reader): Promise<readonly DamagedRow[]> {
  const rows = await reader
    .select()
    .from(damagedRows)
    .where(eq(damagedRows.isSettled, false))
    .orderBy(desc(damagedRows.id))
  const open: DamagedRow[] = []
  for (const { id, tableName: table, rowId, name, fields, at, version } of rows)
    if (version === null || (await versionNow(reader, table, rowId)) === version)
      open.push({ id, table, rowId, name, fields, at })
  return open
}
