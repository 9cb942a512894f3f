import type { NewRecipe } from '@vendange/contract'
import { concentrationOfFatsShare, waterFigures } from '@vendange/core/recipe'
import type { Ref } from 'vue'
import { toRaw, watch } from 'vue'

/**
 * Water stated as a share of the fats stays that share while the maker changes fats or alkali. A recipe that comes from
 * elsewhere (brought back, undone, changed by somebody else) is another object and stays as it came; so does one whose
 * fats are only known better.
 *
 * @param alkaliPerFats g of alkali for each g of fats; undefined while the recipe cannot be made
 */
export function useWaterKept(values: Ref<NewRecipe | undefined>, alkaliPerFats: () => number | undefined): void {
  const alkaliOf = (recipe: NewRecipe | undefined): string =>
    JSON.stringify([recipe?.fats, recipe?.superfat, recipe?.naohPurity, recipe?.kohShare, recipe?.kohPurity])
  /** The last state that could be made, to keep the water of. */
  let known: { readonly recipe: NewRecipe; readonly stated: string; readonly alkali: number } | undefined
  watch(
    [() => toRaw(values.value), () => alkaliOf(values.value), alkaliPerFats],
    ([recipe, stated, alkali]) => {
      if (!recipe || !values.value) return
      const before = known?.recipe === recipe ? known : undefined
      if (alkali === undefined) return
      known = { recipe, stated, alkali }
      if (!before || before.stated === stated || recipe.waterStyle !== 'share_of_fats') return
      const kept = waterFigures(recipe.lyeConcentration, before.alkali).shareOfFats
      values.value.lyeConcentration = concentrationOfFatsShare(kept, alkali)
    },
    { immediate: true, flush: 'sync' },
  )
}
