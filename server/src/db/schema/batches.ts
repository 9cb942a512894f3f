import type { BatchStatus } from '@vendange/contract'
import type { PourPart } from '@vendange/core/batch'
import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { designs } from './designs'
import { frozenBatch } from './frozenBatch'
import { versionedColumns } from './versionedColumns'

export const batches = sqliteTable('batches', {
  ...versionedColumns(),
  designId: text('design_id')
    .notNull()
    .references(() => designs.id),
  pourDay: text('pour_day').notNull(),
  /** Planned day of the cut; null: the first day with hours in its setting time. */
  cutDay: text('cut_day'),
  /** Stays where the maker put it when the season is planned. */
  isPinned: integer('is_pinned', { mode: 'boolean' }).notNull().default(false),
  /** Said after the design's name, such as "pour 2 of 4"; empty for a design poured at once. */
  label: text().notNull().default(''),
  /** What differs from the design; null: nothing. */
  own: text({ mode: 'json' }).$type<PourPart>(),
  /** Why its clock is not learned from: a test, a slip; null: it is. */
  timingSetAside: text('timing_set_aside'),
  status: text().$type<BatchStatus>().notNull(),
  frozen: frozenBatch(),
})
