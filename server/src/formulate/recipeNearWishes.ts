import { sentence } from '@vendange/core/findings'
import type { WishRequest } from '@vendange/contract'
import { fatOf } from '@vendange/core/recipe'
import type { WishAnswer } from '@vendange/core/wishes'
import { nearestRecipe } from '@vendange/core/wishes/nearest'
import { unprocessable } from '../db/refusal'
import { knownMaterialsOn, readStock } from '../db/storesRow'
import { readWorkshop } from '../db/workshopRow'
import type { ReadingContext } from '../parts/context'

/** The wish solver, with the workshop's own fats and prices. @throws 422 if a fat is not known */
export async function recipeNearWishes(
  { database: { read }, clock }: ReadingContext,
  wishes: WishRequest,
): Promise<WishAnswer> {
  const workshop = await readWorkshop(read)
  const { knownFats } = knownMaterialsOn(clock.today(workshop.timeZone), await readStock(read))
  const unknown = [...wishes.fats.map(({ fatKey }) => fatKey), ...wishes.mayAdd].find(
    (key) => !fatOf({ knownFats }, key),
  )
  if (unknown !== undefined) throw unprocessable(sentence('no_such_fat_in_table', { fat: unknown }))
  const { pricing } = workshop
  const centsPerKg = Object.fromEntries(pricing.ingredients.map(({ key, centsPerKg: cents }) => [key, cents]))
  const { superfat, fatsGPerBar } = wishes
  const cost = { centsPerKg, naohCentsPerKg: centsPerKg['naoh'] ?? 0, fatsGPerBar, superfat }
  return nearestRecipe({ ...wishes, cost, knownFats })
}
