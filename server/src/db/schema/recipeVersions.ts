import type { NewRecipe } from '@vendange/contract'
import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { recipes } from './recipes'

/** A recipe as it stood. The newest row of a recipe is the recipe itself. */
export const recipeVersions = sqliteTable('recipe_versions', {
  id: integer().primaryKey({ autoIncrement: true }),
  recipeId: text('recipe_id')
    .notNull()
    .references(() => recipes.id),
  /** ISO 8601, UTC: when it became so. */
  at: text().notNull(),
  details: text({ mode: 'json' }).$type<NewRecipe>().notNull(),
})
