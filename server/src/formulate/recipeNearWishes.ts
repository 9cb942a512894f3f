import { sentence } from '@vendange/core/findings'
import type { WishRequest } from '@vendange/contract'
import { fatOf } from '@vendange/core/recipe'
import type { IngredientKind } from '@vendange/core/stores'
import { costOf, ingredientKey } from '@vendange/core/stores'
import type { WishAnswer } from '@vendange/core/wishes'
import { nearestRecipe } from '@vendange/core/wishes/nearest'
import { unprocessable } from '../db/refusal'
import { knownMaterialsOn, pricesOn, readStock } from '../db/storesRow'
import { readWorkshop } from '../db/workshopRow'
import type { ReadingContext } from '../parts/context'

/** The wish solver, with the workshop's own fats and prices. @throws 422 if a fat is not known */
export async function recipeNearWishes(
  { database: { read }, clock }: ReadingContext,
  wishes: WishRequest,
): Promise<WishAnswer> {
  const workshop = await readWorkshop(read)
  const today = clock.today(workshop.timeZone)
  const stock = await readStock(read)
  const { knownFats } = knownMaterialsOn(today, stock)
  const unknown = [...wishes.fats.map(({ fatKey }) => fatKey), ...wishes.mayAdd].find(
    (key) => !fatOf({ knownFats }, key),
  )
  if (unknown !== undefined) throw unprocessable(sentence('no_such_fat_in_table', { fat: unknown }))
  const prices = pricesOn(today, stock)
  const kiloOf = (kind: IngredientKind, ref: string): number | undefined =>
    costOf(prices, ingredientKey(kind, ref), 1000)?.cents
  const fatKeys = [...wishes.fats.map(({ fatKey }) => fatKey), ...wishes.mayAdd]
  const centsPerKg = Object.fromEntries(
    fatKeys.flatMap((key) => {
      const cents = kiloOf('fat', key)
      return cents === undefined ? [] : [[key, cents]]
    }),
  )
  const { superfat, fatsGPerBar } = wishes
  const cost = { centsPerKg, naohCentsPerKg: kiloOf('alkali', 'naoh') ?? 0, fatsGPerBar, superfat }
  return nearestRecipe({ ...wishes, cost, knownFats })
}
