import type { BlendPart, Recipe } from '../recipe'
import { blendOf, naohForFats, usualScentDensityGMl, waterForLye } from '../recipe'
import { lyeSolutionDensity } from './lyeSolutionDensity'

/** What one gram of fats becomes as batter. */
export interface BatterPerGramOfFats {
  readonly naohG: number
  readonly waterG: number
  readonly scentG: number
  readonly massG: number
  readonly volumeMl: number
}

function portions(blend: readonly BlendPart[]) {
  return blend.map(({ fat, share }) => ({ massG: share, saponificationValue: fat.saponificationValue.typical }))
}

/**
 * Batter made of one gram of fats. Volumes add: fats at their tabled density as it stands, lye solution at the tabled
 * density of its concentration (20 °C), scent at 0.95 g/ml. Good to about one percent.
 *
 * @param scentRate mass of scent over mass of fats
 * @throws {RangeError} if the recipe would be refused by `checkRecipe`
 */
export function batterPerGramOfFats(recipe: Recipe, scentRate: number): BatterPerGramOfFats {
  const blend = blendOf(recipe)
  const naohG = naohForFats(portions(blend), { superfat: recipe.superfat, naohPurity: recipe.naohPurity })
  const waterG = waterForLye(naohG, recipe.lyeConcentration)
  const fatsMl = blend.reduce((sum, { fat, share }) => sum + share / fat.densityGMl, 0)
  const lyeMl = (naohG + waterG) / lyeSolutionDensity(recipe.lyeConcentration)
  return {
    naohG,
    waterG,
    scentG: scentRate,
    massG: 1 + naohG + waterG + scentRate,
    volumeMl: fatsMl + lyeMl + scentRate / usualScentDensityGMl,
  }
}
