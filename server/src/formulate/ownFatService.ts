import type { NewOwnFat, SavedIngredient, SavedOwnFat, SavedRecipe } from '@vendange/contract'
import { ownFatKey } from '@vendange/core/fats'
import type { KeptThings } from '../db/keptThings'
import { keptRows, keptThings } from '../db/keptThings'
import { ingredients, ownFats, recipes } from '../db/schema'
import type { Context } from '../parts/context'

/** The fats that the workshop keeps besides those of the table. */
export function ownFatService({ database, newId }: Context): KeptThings<NewOwnFat, SavedOwnFat> {
  return keptThings<NewOwnFat, SavedOwnFat>(database, ownFats, {
    noun: 'fat',
    newId,
    inUse: async (id, reader) => {
      const key = ownFatKey(id)
      const recipe = (await keptRows<SavedRecipe>(reader, recipes)).find(
        ({ isRemoved, fats }) => !isRemoved && fats.some(({ fatKey }) => fatKey === key),
      )
      if (recipe) return `${recipe.name} is made with it. Take it out of the recipe first.`
      const kept = (await keptRows<SavedIngredient>(reader, ingredients)).find(
        ({ isRemoved, ref }) => !isRemoved && ref === key,
      )
      return kept && `${kept.name} is kept in the stores. Take it away there first.`
    },
  })
}
