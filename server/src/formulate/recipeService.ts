import type { NewRecipe, SavedRecipe } from '@vendange/contract'
import { and, eq } from 'drizzle-orm'
import type { KeptThings } from '../db/keptThings'
import { keptThings } from '../db/keptThings'
import { designs, recipes } from '../db/schema'
import type { Context } from '../parts/context'

export function recipeService({ database, newId }: Context): KeptThings<NewRecipe, SavedRecipe> {
  return keptThings<NewRecipe, SavedRecipe>(database, recipes, {
    noun: 'recipe',
    newId,
    inUse: async (id, reader) => {
      const [design] = await reader
        .select()
        .from(designs)
        .where(and(eq(designs.recipeId, id), eq(designs.isRemoved, false)))
        .limit(1)
      return design && `${design.name} is made by this recipe. Give it another one first.`
    },
  })
}
