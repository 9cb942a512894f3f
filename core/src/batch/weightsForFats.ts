import type { Lye, Recipe, WeighedAdditive, WeighedFat } from '../recipe'
import { additivesFor, lyeFor, wettingG } from '../recipe'
import { roundToScale } from '../units'

/** Everything that goes with weighed fats, g. */
export interface WeightsForFats {
  readonly fatsG: number
  readonly lye: Lye
  /** Water to weigh as water for the lye: what wets additives is taken off it. */
  readonly waterG: number
  readonly additives: readonly WeighedAdditive[]
  readonly scentG: number
  readonly batterG: number
}

const clean = (massG: number): number => Number(massG.toFixed(6))

/**
 * Lye, water, other liquids, additives and scent for fats as they stand in the pot. They follow from these fats alone,
 * never from an older figure. Water and fat for wetting are taken from the batch, so that they change nothing in sum.
 *
 * @param scentRate mass of scent over mass of fats
 * @throws {RangeError} if a mass or a part of the recipe is out of range
 */
export function weightsForFats(
  fats: readonly WeighedFat[],
  recipe: Recipe,
  { scentRate, bars, stepG }: { readonly scentRate: number; readonly bars: number; readonly stepG: number },
): WeightsForFats {
  const fatsG = clean(fats.reduce((sum, { massG }) => sum + massG, 0))
  const lye = lyeFor(fats, recipe, stepG)
  const liquidsG = lye.liquids.reduce((sum, { massG }) => sum + massG, 0)
  const bareG = fatsG + lye.naohG + lye.kohG + lye.plainWaterG + liquidsG
  const additives = additivesFor(recipe, { fatsG, batterG: bareG, bars })
  const additivesG = additives.reduce((sum, { massG }) => sum + massG, 0)
  const scentG = roundToScale(fatsG * scentRate, stepG)
  return {
    fatsG,
    lye,
    waterG: clean(lye.plainWaterG - wettingG(additives, 'water')),
    additives,
    scentG,
    batterG: clean(bareG + additivesG + scentG),
  }
}
