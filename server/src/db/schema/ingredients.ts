import type { NewIngredient } from '@vendange/contract'
import { integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { versionedColumns } from './versionedColumns'

export const ingredients = sqliteTable('ingredients', {
  ...versionedColumns(),
  kind: text().$type<NewIngredient['kind']>().notNull(),
  name: text().notNull(),
  /** Key of the fat, `naoh` or `koh`; empty for what goes by its name. */
  ref: text().notNull(),
  leadDays: integer('lead_days').notNull(),
  packSize: real('pack_size').notNull(),
  perBar: real('per_bar').notNull(),
  /** g/ml; null: as the table says. */
  densityGMl: real('density_g_ml'),
  /** What it is made of; null: as the library says. */
  makeup: text({ mode: 'json' }).$type<NewIngredient['makeup']>(),
  /** Its name on a label; empty: not known. */
  inci: text().notNull().default(''),
  /** Cents a kg or a piece, where no lot tells it. */
  listCents: real('list_cents').notNull().default(0),
  isListEstimate: integer('is_list_estimate', { mode: 'boolean' }).notNull().default(true),
  notes: text().notNull(),
})
