import type { RecipeAdditive } from './parts'
import type { Recipe } from './recipe'
import { assertWithin, roundToScale, toFineScale } from '../units'
import { additiveRateRanges, wettingRatioRange } from './ranges'

/** An additive as weighed, with what wets it. */
export interface WeighedAdditive {
  readonly name: string
  readonly place: RecipeAdditive['place']
  readonly massG: number
  /** Water or fat taken from the batch to stir it into. */
  readonly wetting: { readonly with: 'water' | 'fat'; readonly massG: number } | null
}

/** From so many of its steps on a mass goes on the workshop's scale: the step is 2.5 % of it at the most. A rule of the house. */
const stepsForScale = 20
const weighable = (massG: number, stepG: number | undefined): number =>
  stepG !== undefined && massG >= stepsForScale * stepG ? roundToScale(massG, stepG) : toFineScale(massG)

/**
 * Additives of a batch, as they are weighed: on the workshop's scale, little of something on a fine one.
 *
 * @param batterG batter before any additive and before the scent, g
 * @param bars bars of the batch, for those that are stated by the bar
 * @param stepG smallest step of the workshop's scale, g; undefined: all are weighed on a fine one
 * @throws {RangeError} if a rate or what one is wetted with is out of range
 */
export function additivesFor(
  recipe: Pick<Recipe, 'additives'>,
  { fatsG, batterG, bars }: { readonly fatsG: number; readonly batterG: number; readonly bars: number },
  stepG?: number,
): readonly WeighedAdditive[] {
  const amountOf = { fats: fatsG, batter: batterG, bar: bars } as const
  return (recipe.additives ?? []).map(({ name, basis, rate, place, wetting }) => {
    assertWithin('rate', rate, additiveRateRanges[basis])
    if (wetting) assertWithin('ratio', wetting.ratio, wettingRatioRange)
    const massG = weighable(rate * amountOf[basis], stepG)
    return {
      name,
      place,
      massG,
      wetting: wetting && { with: wetting.with, massG: weighable(massG * wetting.ratio, stepG) },
    }
  })
}

/** g of water, or of fat, that wetting additives or the colourants of pots takes from the batch. */
export function wettingG(wetted: readonly Pick<Partial<WeighedAdditive>, 'wetting'>[], kind: 'water' | 'fat'): number {
  return wetted.reduce((sum, { wetting }) => (wetting?.with === kind ? sum + wetting.massG : sum), 0)
}
