import type { Recipe } from '../recipe'
import { additivesFor, blendOf, lyeFor, usualScentDensityGMl } from '../recipe'
import { lyeSolutionDensity } from './lyeSolutionDensity'

/** What one gram of fats becomes as batter. */
export interface BatterPerGramOfFats {
  readonly massG: number
  readonly volumeMl: number
}

/** Density of what is stirred in as a solid, g/ml: that of clay. Too little of it goes in to tell the difference. */
const solidsDensityGMl = 2.6
/** Density of water, g/ml at 20 °C. */
const waterDensityGMl = 0.998
/** What milk, purees and juices hold besides water, g/ml: about that of dissolved sugars. An estimate. */
const dissolvedDensityGMl = 1.5

/**
 * Batter made of one gram of fats. Volumes add: fats at their tabled density as it stands, lye solution at the tabled
 * density of its concentration (20 °C; a solution with potassium hydroxide is taken for one of sodium hydroxide, an
 * estimate), scent at 0.95 g/ml, solids at 2.6 g/ml. Good to about one percent. Additives stated by the bar are left
 * out.
 *
 * @param scentRate mass of scent over mass of fats
 * @throws {RangeError} if the recipe would be refused by `checkRecipe`
 */
export function batterPerGramOfFats(recipe: Recipe, scentRate: number): BatterPerGramOfFats {
  const fats = blendOf(recipe).map(({ fat, share }) => ({ fat, massG: share }))
  const lye = lyeFor(fats, recipe)
  const fatsMl = fats.reduce((sum, { fat, massG }) => sum + massG / fat.densityGMl, 0)
  const alkaliG = lye.naohG + lye.kohG
  const besidesWaterG = lye.liquids.reduce((sum, { massG, waterG }) => sum + massG - waterG, 0)
  const overG = Math.max(0, lye.liquids.reduce((sum, { waterG }) => sum + waterG, 0) - lye.allWaterG)
  const lyeMl = (alkaliG + lye.allWaterG) / lyeSolutionDensity(recipe.lyeConcentration) + overG / waterDensityGMl
  const bareG = 1 + alkaliG + lye.allWaterG + overG + besidesWaterG
  // Tenths of grams would be all too coarse for one gram of fats.
  const additivesG = additivesFor(recipe, { fatsG: 1e6, batterG: bareG * 1e6, bars: 0 }).reduce(
    (sum, { massG }) => sum + massG / 1e6,
    0,
  )
  return {
    massG: bareG + additivesG + scentRate,
    volumeMl:
      fatsMl +
      lyeMl +
      besidesWaterG / dissolvedDensityGMl +
      additivesG / solidsDensityGMl +
      scentRate / usualScentDensityGMl,
  }
}
