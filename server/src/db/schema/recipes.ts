import type { NewRecipe } from '@vendange/contract'
import { integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { versionedColumns } from './versionedColumns'

export const recipes = sqliteTable('recipes', {
  ...versionedColumns(),
  name: text().notNull(),
  fats: text({ mode: 'json' }).$type<NewRecipe['fats']>().notNull(),
  superfat: real().notNull(),
  lyeConcentration: real('lye_concentration').notNull(),
  naohPurity: real('naoh_purity').notNull(),
  kohShare: real('koh_share').notNull().default(0),
  kohPurity: real('koh_purity').notNull().default(0.9),
  waterStyle: text('water_style').$type<NewRecipe['waterStyle']>().notNull().default('lye_concentration'),
  liquids: text({ mode: 'json' }).$type<NewRecipe['liquids']>().notNull().default([]),
  additives: text({ mode: 'json' }).$type<NewRecipe['additives']>().notNull().default([]),
  meetsAcids: integer('meets_acids', { mode: 'boolean' }).notNull().default(false),
  claims: text({ mode: 'json' }).$type<NewRecipe['claims']>().notNull().default([]),
  setDaysMin: integer('set_days_min').notNull(),
  setDaysMax: integer('set_days_max').notNull(),
  cureDays: integer('cure_days').notNull(),
  oven: integer({ mode: 'boolean' }).notNull().default(false),
  school: text({ mode: 'json' })
    .$type<NewRecipe['school']>()
    .notNull()
    .default({ lye: 'same_day', gel: 'kept', scent: 'last' }),
  notes: text().notNull(),
})
