import type { GroupShare } from '../fats'
import { fattyAcidProfile, liquidShare } from '../fats'
import type { WeighedAdditive } from './additives'
import { additivesFor, wettingG } from './additives'
import type { Lye, LyeRounding, WaterFigures } from './lye'
import { bareBatterG, dissolvingWaterG, lyeFor, naohForFatsG, waterFigures } from './lye'
import type { Recipe } from './recipe'
import { blendOf } from './recipe'
import type { SuperfatBand } from './superfatBand'
import { superfatBand } from './superfatBand'

/** What a recipe comes to for a given mass of fats. */
export interface RecipeFigures extends Lye {
  readonly fatsG: number
  /** Fats, alkali, water and liquids, without what is added, g. */
  readonly batterG: number
  /** Grams of alkali for each gram of fats, before any rounding. */
  readonly alkaliPerFats: number
  /** Those stated by the bar are left out: how many bars there are shows when it is scaled. */
  readonly additives: readonly WeighedAdditive[]
  /** Part of the plain water that wets additives, g. */
  readonly wettingWaterG: number
  /** Water that the alkali is dissolved in. */
  readonly dissolvingWaterG: number
  readonly water: WaterFigures
  readonly band: SuperfatBand
  readonly groups: readonly GroupShare[]
  /** Fraction of the fats whose acids the table does not name. */
  readonly unnamedShare: number
  /** Fraction of the fats that is liquid at 20 °C. */
  readonly liquidShare: number
}

/**
 * What a recipe comes to.
 *
 * @param fatsG mass of all fats in g
 * @param stepG step of the scale that its lye is rounded to, g; 0 for figures that are not rounded
 * @param rounding of the alkali to that step
 * @throws {RangeError} if the recipe would be refused by `checkRecipe`
 */
export function recipeFigures(recipe: Recipe, fatsG: number, stepG = 0, rounding: LyeRounding = 'down'): RecipeFigures {
  const blend = blendOf(recipe)
  const weighed = blend.map(({ fat, share }) => ({ fat, massG: share * fatsG }))
  const lye = lyeFor(weighed, recipe, stepG, rounding)
  const exact = lyeFor(weighed, recipe)
  const alkaliPerFats = (exact.naohG + exact.kohG) / fatsG
  const batterG = bareBatterG(fatsG, lye)
  const additives = additivesFor(recipe, { fatsG, batterG, bars: 0 }).filter(({ massG }) => massG > 0)
  const wettingWaterG = wettingG(additives, 'water')
  return {
    ...lye,
    fatsG,
    batterG,
    alkaliPerFats,
    additives,
    wettingWaterG,
    dissolvingWaterG: dissolvingWaterG(lye, wettingWaterG),
    water: waterFigures(recipe.lyeConcentration, alkaliPerFats),
    band: superfatBand(weighed, naohForFatsG(lye, recipe, { additives, liquids: lye.liquids })),
    ...fattyAcidProfile(blend),
    liquidShare: liquidShare(blend),
  }
}
