import type { LoafStatus } from '@vendange/core/loaf'
import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { batches } from './batches'

/** A tracked loaf. `status` and `version` are projected from its events in the same transaction. */
export const loaves = sqliteTable('loaves', {
  id: text().primaryKey(),
  batchId: text('batch_id')
    .notNull()
    .references(() => batches.id),
  /** Which of the batch's kinds of mould it came out of. */
  part: integer().notNull().default(0),
  lotCode: text('lot_code').notNull().unique(),
  status: text().$type<LoafStatus>().notNull(),
  /** Number of its events. */
  version: integer().notNull(),
})
