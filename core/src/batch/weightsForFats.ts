import type { Lye, LyeRounding, Recipe, WeighedAdditive, WeighedFat } from '../recipe'
import { additivesFor, bareBatterG, lyeFor, usualSchool, wettingG } from '../recipe'
import { roundToScale, withoutDust } from '../units'
import type { PotColour, WeighedPot } from './pots'
import { splitIntoPots } from './pots'

/** Everything that goes with weighed fats, g. */
export interface WeightsForFats {
  readonly fatsG: number
  readonly lye: Lye
  /** Water to weigh as water for the lye: what wets additives and colourants is taken off it. */
  readonly waterG: number
  readonly additives: readonly WeighedAdditive[]
  readonly scentG: number
  readonly batterG: number
  readonly pots: readonly WeighedPot[]
}

/** What a batch holds besides its fats and its recipe. */
export interface BatchParts {
  /** Mass of scent over mass of fats. */
  readonly scentRate: number
  readonly colours: readonly PotColour[]
  readonly densityGMl: number
  readonly bars: number
  /** Smallest step of the scale, g. */
  readonly stepG: number
  readonly lyeRounding: LyeRounding
}

/** The part of the scent that goes into the pots: all of it where it goes in last. */
export function scentIntoPotsG({ school }: Pick<Recipe, 'school'>, scentG: number): number {
  return (school ?? usualSchool).scent === 'last' ? scentG : 0
}

/**
 * Lye, water, other liquids, additives, scent and pots for fats as they stand in the pot. They follow from these fats
 * alone, never from an older figure. Water and fat for wetting are taken from the batch, so that they change nothing in
 * sum.
 *
 * @throws {RangeError} if a mass or a part of the recipe is out of range
 */
export function weightsForFats(
  fats: readonly WeighedFat[],
  recipe: Recipe,
  { scentRate, colours, densityGMl, bars, stepG, lyeRounding }: BatchParts,
): WeightsForFats {
  const fatsG = withoutDust(fats.reduce((sum, { massG }) => sum + massG, 0))
  const lye = lyeFor(fats, recipe, stepG, lyeRounding, bars)
  const bareG = bareBatterG(fatsG, lye)
  const additives = additivesFor(recipe, { fatsG, batterG: bareG, bars }, stepG)
  const additivesG = additives.reduce((sum, { massG }) => sum + massG, 0)
  const scentG = roundToScale(fatsG * scentRate, stepG)
  const batterG = withoutDust(bareG + additivesG + scentG)
  const pots = splitIntoPots(colours, { batterG, scentG: scentIntoPotsG(recipe, scentG), densityGMl, stepG })
  return {
    fatsG,
    lye,
    waterG: withoutDust(lye.plainWaterG - wettingG(additives, 'water') - wettingG(pots, 'water')),
    additives,
    scentG,
    batterG,
    pots,
  }
}
