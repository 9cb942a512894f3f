import { sentence } from '@vendange/core/findings'
import type { NewOwnFat, SavedIngredient, SavedOwnFat, SavedRecipe } from '@vendange/contract'
import { ownFatKey } from '@vendange/core/fats'
import type { VersionedRepository } from '../db/versionedRepository'
import { findRows, versionedRepository } from '../db/versionedRepository'
import { ingredients, ownFats, recipes } from '../db/schema'
import type { Context } from '../parts/context'

/** The fats that the workshop keeps besides those of the table. */
export function ownFatService({ database, newId }: Context): VersionedRepository<NewOwnFat, SavedOwnFat> {
  return versionedRepository<NewOwnFat, SavedOwnFat>(database, ownFats, {
    noun: 'fat',
    newId,
    inUse: async (id, reader) => {
      const key = ownFatKey(id)
      const recipe = (await findRows<SavedRecipe>(reader, recipes)).find(
        ({ isRemoved, fats }) => !isRemoved && fats.some(({ fatKey }) => fatKey === key),
      )
      if (recipe) return sentence('fat_in_recipe', { recipe: recipe.name })
      const kept = (await findRows<SavedIngredient>(reader, ingredients)).find(
        ({ isRemoved, ref }) => !isRemoved && ref === key,
      )
      return kept && sentence('fat_in_stores', { ingredient: kept.name })
    },
  })
}
