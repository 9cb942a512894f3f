import type { LoafState, LoafStatus } from '@vendange/core/loaf'
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { batches } from './batches'

/** A tracked loaf. What follows from its events is projected from them in the same transaction. */
export const loaves = sqliteTable(
  'loaves',
  {
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
    /** What its events come to; null where they were written before this was kept. */
    state: text({ mode: 'json' }).$type<LoafState>(),
    /** Whether nothing is left to do with it. */
    isDone: integer('is_done', { mode: 'boolean' }).notNull().default(false),
  },
  (table) => [index('loaves_batch').on(table.batchId), index('loaves_open').on(table.isDone)],
)
