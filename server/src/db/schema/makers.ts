import type { NewMaker } from '@vendange/contract'
import { sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { versionedColumns } from './versionedColumns'

export const makers = sqliteTable('makers', {
  ...versionedColumns(),
  name: text().notNull(),
  /** Monday to Sunday. */
  weekHours: text('week_hours', { mode: 'json' }).$type<NewMaker['weekHours']>().notNull().default([]),
  exceptions: text({ mode: 'json' }).$type<NewMaker['exceptions']>().notNull().default([]),
})
