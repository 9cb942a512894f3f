import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'

/** A field of a damaged row, and what stood in it, as far as it can be written down. */
export interface DamagedField {
  readonly field: string
  readonly was: string
}

/** Rows that could not be read any more: what stood in them is kept here, and something harmless stands in its place. */
export const damagedRows = sqliteTable('damaged_rows', {
  id: integer().primaryKey({ autoIncrement: true }),
  tableName: text('table_name').notNull(),
  rowId: text('row_id').notNull(),
  /** What it is called on a page. */
  name: text().notNull(),
  fields: text({ mode: 'json' }).$type<readonly DamagedField[]>().notNull(),
  /** ISO 8601, UTC: when it was found. */
  at: text().notNull(),
  /** Of a thing with versions the one in which it was left; a later one means that somebody mended it. */
  version: integer(),
  isSettled: integer('is_settled', { mode: 'boolean' }).notNull().default(false),
})
