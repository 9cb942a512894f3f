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
      if (recipe) return `${recipe.name} is made with it. Take it out of the recipe first.`
      const kept = (await findRows<SavedIngredient>(reader, ingredients)).find(
        ({ isRemoved, ref }) => !isRemoved && ref === key,
      )
      return kept && `${kept.name} is kept in the stores. Take it away there first.`
    },
  })
}
