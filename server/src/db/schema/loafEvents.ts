import type { LoafEvent } from '@vendange/core/loaf'
import { sql } from 'drizzle-orm'
import { index, integer, sqliteTable, text, unique } from 'drizzle-orm/sqlite-core'
import { loaves } from './loaves'
import { makers } from './makers'

/** What happened to loaves: appended, never changed. */
export const loafEvents = sqliteTable(
  'loaf_events',
  {
    id: integer().primaryKey({ autoIncrement: true }),
    loafId: text('loaf_id')
      .notNull()
      .references(() => loaves.id),
    sequence: integer().notNull(),
    event: text('happening', { mode: 'json' }).$type<LoafEvent>().notNull(),
    at: text().notNull(),
    makerId: text('maker_id')
      .notNull()
      .references(() => makers.id),
    /** Chosen by the screen that wrote it down: one that comes twice is taken once. */
    eventId: text('event_id'),
  },
  (table) => [
    unique('loaf_events_once').on(table.eventId),
    unique('loaf_events_in_order').on(table.loafId, table.sequence),
    // What was set aside, sold or weighed is looked for among all that happened.
    index('loaf_events_kind').on(sql`"happening" ->> '$.type'`, sql`"happening" ->> '$.channel'`, table.loafId),
    // A sale that is reported twice is found at once.
    index('loaf_events_sale').on(sql`"happening" ->> '$.saleId'`),
  ],
)
