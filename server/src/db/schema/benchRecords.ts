import type { LotUse } from '@vendange/core/stores'
import { index, integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { batches } from './batches'
import { makers } from './makers'

/** Steps done at the bench, appended; the last record of a step holds. */
export const benchRecords = sqliteTable(
  'bench_records',
  {
    id: integer().primaryKey({ autoIncrement: true }),
    batchId: text('batch_id')
      .notNull()
      .references(() => batches.id),
    stepKey: text('step_key').notNull(),
    /** g or °C; null for a tick. */
    actual: real(),
    /** Lots it was taken from; null for what the stores do not keep. */
    lots: text({ mode: 'json' }).$type<readonly LotUse[]>(),
    /** Chosen by the tablet, so that a record which comes twice is taken once. */
    recordId: text('record_id').unique(),
    at: text().notNull(),
    makerId: text('maker_id')
      .notNull()
      .references(() => makers.id),
  },
  (table) => [
    index('bench_records_batch').on(table.batchId),
    index('bench_records_step').on(table.stepKey, table.batchId),
  ],
)
