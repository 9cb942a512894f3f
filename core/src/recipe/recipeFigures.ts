import type { GroupShare } from '../fats'
import { fattyAcidProfile, liquidShare } from '../fats'
import { naohForFats } from './naohForFats'
import type { Recipe } from './recipe'
import { blendOf } from './recipe'
import type { SuperfatBand } from './superfatBand'
import { superfatBand } from './superfatBand'
import { waterForLye } from './waterForLye'

/** What a recipe comes to for a given mass of fats, before any rounding to a scale. */
export interface RecipeFigures {
  readonly fatsG: number
  readonly naohG: number
  readonly waterG: number
  readonly band: SuperfatBand
  readonly groups: readonly GroupShare[]
  /** Fraction of the fats whose acids the table does not name. */
  readonly unnamedShare: number
  /** Fraction of the fats that is liquid at 20 °C. */
  readonly liquidShare: number
}

/**
 * @param fatsG mass of all fats in g
 * @throws {RangeError} if the recipe would be refused by `checkRecipe`
 */
export function recipeFigures(recipe: Recipe, fatsG: number): RecipeFigures {
  const blend = blendOf(recipe)
  const weighed = blend.map(({ fat, share }) => ({ fat, massG: share * fatsG }))
  const portions = weighed.map(({ fat, massG }) => ({ massG, saponificationValue: fat.saponificationValue.typical }))
  const naohG = naohForFats(portions, { superfat: recipe.superfat, naohPurity: recipe.naohPurity })
  return {
    fatsG,
    naohG,
    waterG: waterForLye(naohG, recipe.lyeConcentration),
    band: superfatBand(weighed, naohG, recipe.naohPurity),
    ...fattyAcidProfile(blend),
    liquidShare: liquidShare(blend),
  }
}
