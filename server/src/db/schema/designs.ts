import type { NewDesign } from '@vendange/contract'
import { integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { collections } from './collections'
import { versionedColumns } from './versionedColumns'
import { moulds } from './moulds'
import { recipes } from './recipes'

export const designs = sqliteTable('designs', {
  ...versionedColumns(),
  collectionId: text('collection_id')
    .notNull()
    .references(() => collections.id),
  name: text().notNull(),
  technique: text().notNull(),
  scent: text({ mode: 'json' }).$type<NewDesign['scent']>(),
  colours: text({ mode: 'json' }).$type<NewDesign['colours']>().notNull(),
  pourPlan: text('pour_plan', { mode: 'json' }).$type<NewDesign['pourPlan']>().notNull().default([]),
  face: text({ mode: 'json' }).$type<NewDesign['face']>(),
  batterHex: text('batter_hex'),
  recipeId: text('recipe_id').references(() => recipes.id),
  mouldId: text('mould_id').references(() => moulds.id),
  mouldCount: integer('mould_count').notNull(),
  moreMoulds: text('more_moulds', { mode: 'json' }).$type<NewDesign['moreMoulds']>().notNull().default([]),
  pieces: text({ mode: 'json' }).$type<NewDesign['pieces']>().notNull().default([]),
  displacedMl: real('displaced_ml').notNull().default(0),
  topMl: real('top_ml').notNull().default(0),
  barsWanted: integer('bars_wanted').notNull(),
  labelMassG: real('label_mass_g').notNull(),
  bevelled: integer({ mode: 'boolean' }).notNull().default(false),
  stamped: integer({ mode: 'boolean' }).notNull().default(false),
  barCents: integer('bar_cents'),
  earliestDay: text('earliest_day'),
  notesForNextTime: text('notes_for_next_time').notNull().default(''),
  broughtFromId: text('brought_from_id'),
  lessons: text({ mode: 'json' }).$type<NewDesign['lessons']>().notNull().default([]),
  results: text({ mode: 'json' }).$type<NewDesign['results']>().notNull().default([]),
})
