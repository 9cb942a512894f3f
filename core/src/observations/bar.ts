import type { FattyAcid } from '../fats'
import type { Recipe } from '../recipe'
import { blendOf, isSalt, makeupOf, thickenerOf } from '../recipe'

/** What a bar is made of, as far as it can be noticed later. Shares are mass fractions of the fats. */
export interface BarConditions {
  /** Lauric and myristic acid: their soaps dissolve and foam at once. */
  readonly quick: number
  /** Caprylic, capric, lauric and myristic acid: they carry off skin's own oils. */
  readonly stripping: number
  /** Palmitic and stearic acid: their soaps hardly dissolve. */
  readonly firm: number
  /** All saturated acids. */
  readonly saturated: number
  readonly ricinoleic: number
  /**
   * Linoleic acid, and linolenic twice: it takes up oxygen about twice as fast (Frankel, Lipid Oxidation, 2nd ed., 2005).
   */
  readonly tender: number
  readonly superfat: number
  /** Alkali over alkali plus water. */
  readonly lyeConcentration: number
  /** Whether its loaves gel in an oven. */
  readonly oven: boolean
  /** Salt over fats. */
  readonly salt: number
  readonly hasLactate: boolean
  readonly hasSugar: boolean
  /** Clay, pumice and what else scours and takes up foam. */
  readonly scours: boolean
}

const lactate = /lactate/i
/** From so much sugar in it a part of a recipe counts as bringing sugar: wine hardly does, milk does. An estimate. */
const sugaryFrom = 0.02

/**
 * What of a recipe will be noticed in its bars. What additives are is known by their names.
 *
 * @throws {RangeError} if a fat is not in the table
 */
export function barConditions(
  recipe: Pick<
    Recipe,
    'fats' | 'knownFats' | 'superfat' | 'lyeConcentration' | 'liquids' | 'additives' | 'knownMakeups' | 'oven'
  >,
): BarConditions {
  const blend = blendOf(recipe)
  const share = (...acids: readonly FattyAcid[]): number =>
    blend.reduce(
      (sum, part) =>
        sum + acids.reduce((of, acid) => of + ((part.fat.fattyAcidPercent?.[acid] ?? 0) / 100) * part.share, 0),
      0,
    )
  const { additives = [], liquids = [], knownMakeups = [], oven = false, superfat, lyeConcentration } = recipe
  const parts = [
    ...liquids.map(({ name }) => ({ kind: 'liquid', name }) as const),
    ...additives.map(({ name }) => ({ kind: 'additive', name }) as const),
  ]
  const firm = share('palmitic', 'stearic')
  const stripping = share('caprylic', 'capric', 'lauric', 'myristic')
  return {
    quick: share('lauric', 'myristic'),
    stripping,
    firm,
    saturated: firm + stripping,
    ricinoleic: share('ricinoleic'),
    tender: share('linoleic') + 2 * share('linolenic'),
    superfat,
    lyeConcentration,
    oven,
    salt: additives.reduce(
      (sum, { name, basis, rate }) => (isSalt(name) && basis === 'fats' && !lactate.test(name) ? sum + rate : sum),
      0,
    ),
    hasLactate: parts.some(({ name }) => lactate.test(name)),
    hasSugar: parts.some(({ kind, name }) => (makeupOf(kind, name, knownMakeups)?.sugarShare ?? 0) >= sugaryFrom),
    scours: parts.some(({ kind, name }) => thickenerOf(kind, name, knownMakeups) === 'clay'),
  }
}
