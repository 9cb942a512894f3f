import type { SQL } from 'drizzle-orm'
import { getTableColumns, getTableName, sql } from 'drizzle-orm'
import type { SQLiteTable } from 'drizzle-orm/sqlite-core'
import type { Transaction } from '../drizzle'

type Column = ReturnType<typeof getTableColumns>[string]

/** What stands in a column, or that it cannot be read. */
export type Read = { readonly value: unknown } | { readonly unreadable: string }

/** A row as it stands in the file, whatever that is. */
export interface RawRow {
  readonly rowid: number
  /** By the name that the code uses. */
  readonly fields: Readonly<Record<string, Read>>
}

const mostShown = 4000
const safe = sql.raw(String(Number.MAX_SAFE_INTEGER))
const lowestSafe = sql.raw(String(Number.MIN_SAFE_INTEGER))

/** Of what kind a value is that stands in a column; one that the driver cannot hold is `big`. */
function kindIn({ name }: Column): SQL {
  const column = sql.identifier(name)
  return sql`CASE WHEN typeof(${column}) = 'integer' AND ${column} NOT BETWEEN ${lowestSafe} AND ${safe} THEN 'big'
    ELSE typeof(${column}) END`
}

/** A column in a form that the driver always reads. */
function readable(column: Column): SQL {
  const name = sql.identifier(column.name)
  return sql`CASE ${kindIn(column)} WHEN 'big' THEN CAST(${name} AS TEXT) WHEN 'blob' THEN length(${name}) ELSE ${name} END`
}

/** What a value stands for in the code. */
function decoded(column: Column, kind: unknown, given: unknown): Read {
  if (kind === 'null') return { value: null }
  const isOfItsKind = (column.getSQLType() === 'text') === (kind === 'text')
  try {
    if (isOfItsKind && kind !== 'big' && kind !== 'blob') return { value: column.mapFromDriverValue(given) as unknown }
  } catch {
    // JSON that is none: it is told as it stands.
  }
  return { unreadable: String(given).slice(0, mostShown) }
}

/** Whatever can be asked in plain SQL: the database itself, or a transaction under way. */
export type RawReader = Pick<Transaction, 'all'>

/** Every row of a table, or those with some row ids; pictures are left out. */
export async function rawRows(reader: RawReader, table: SQLiteTable, where: SQL = sql`1`): Promise<readonly RawRow[]> {
  const columns = Object.entries(getTableColumns(table)).filter(([, column]) => column.getSQLType() !== 'blob')
  const wanted = sql.join(
    columns.map(
      ([, column], at) =>
        sql`${kindIn(column)} AS ${sql.identifier(`k${at}`)}, ${readable(column)} AS ${sql.identifier(`c${at}`)}`,
    ),
    sql`, `,
  )
  const rows = await reader.all<Record<string, unknown>>(
    sql`SELECT rowid AS id, ${wanted} FROM ${sql.identifier(getTableName(table))} WHERE ${where}`,
  )
  return rows.map((row) => ({
    rowid: Number(row['id']),
    fields: Object.fromEntries(
      columns.map(([field, column], at) => [field, decoded(column, row[`k${at}`], row[`c${at}`])]),
    ),
  }))
}

/** Rows that no reader can take: figures beyond what is exact, JSON that is none, days that are none. */
export function plainlyDamaged(table: SQLiteTable): SQL {
  const conditions = Object.values(getTableColumns(table)).map((column): SQL => {
    const name = sql.identifier(column.name)
    const type = column.getSQLType()
    if (type === 'blob') return sql`0`
    if (type === 'integer')
      return sql`(${name} IS NOT NULL AND (typeof(${name}) <> 'integer' OR abs(CAST(${name} AS REAL)) > 4e9))`
    if (type === 'real')
      return sql`(${name} IS NOT NULL AND (typeof(${name}) NOT IN ('real', 'integer') OR abs(CAST(${name} AS REAL)) > 1e9))`
    const isText = sql`(${name} IS NOT NULL AND typeof(${name}) <> 'text')`
    if (column.dataType === 'json' || column.dataType === 'custom')
      return sql`(${isText} OR (${name} IS NOT NULL AND NOT json_valid(${name})))`
    if (/(^|_)day$/.test(column.name))
      return sql`(${isText} OR (${name} IS NOT NULL AND (date(${name}) IS NOT ${name} OR ${name} NOT BETWEEN '1990-01-01' AND '2099-12-31')))`
    return isText
  })
  return sql.join(conditions, sql` OR `)
}
