import { primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { makers } from './makers'

/** Tasks of the day sheet that were ticked and leave no other record, such as a preparation. */
export const dayTicks = sqliteTable(
  'day_ticks',
  {
    day: text().notNull(),
    taskKey: text('task_key').notNull(),
    at: text().notNull(),
    makerId: text('maker_id')
      .notNull()
      .references(() => makers.id),
  },
  (table) => [primaryKey({ columns: [table.day, table.taskKey] })],
)
