import { index, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'

/** What the last record of each step took of each lot: projected from the bench's records in the same transaction. */
export const lotUses = sqliteTable(
  'lot_uses',
  {
    batchId: text('batch_id').notNull(),
    stepKey: text('step_key').notNull(),
    lotId: text('lot_id').notNull(),
    /** g or pieces. */
    amount: real().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.batchId, table.stepKey, table.lotId] }),
    index('lot_uses_lot').on(table.lotId, table.amount),
  ],
)
