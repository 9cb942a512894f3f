import { integer, text } from 'drizzle-orm/sqlite-core'

/** Columns of every thing that is kept, changed under a version, and taken away without being lost. */
export const versionedColumns = () => ({
  id: text().primaryKey(),
  version: integer().notNull(),
  isRemoved: integer('is_removed', { mode: 'boolean' }).notNull(),
})
