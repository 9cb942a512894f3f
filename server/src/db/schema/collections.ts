import type { NewCollection } from '@vendange/contract'
import { sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { versionedColumns } from './versionedColumns'

export const collections = sqliteTable('collections', {
  ...versionedColumns(),
  name: text().notNull(),
  theme: text().notNull(),
  palette: text({ mode: 'json' }).$type<NewCollection['palette']>().notNull(),
  releaseLocal: text('release_local').notNull(),
  releaseZone: text('release_zone').notNull(),
  early: text({ mode: 'json' }).$type<NewCollection['early']>().notNull().default([]),
  channels: text({ mode: 'json' }).$type<NewCollection['channels']>().notNull().default([]),
  promises: text({ mode: 'json' }).$type<NewCollection['promises']>().notNull().default([]),
  state: text().$type<NewCollection['state']>().notNull().default('idea'),
})
