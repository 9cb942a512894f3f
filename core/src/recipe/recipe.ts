import type { Fat } from '../fats'
import { findFat } from '../fats'

/** A recipe by share: what is weighed for each gram of fats. */
export interface Recipe {
  readonly fats: readonly { readonly fatKey: string; readonly share: number }[]
  /** Fraction of the fats left unsaponified. */
  readonly superfat: number
  /** NaOH over NaOH plus water, both as weighed. */
  readonly lyeConcentration: number
  /** Mass fraction of NaOH in the flakes. */
  readonly naohPurity: number
}

/** A fat of the table with its share of all fats, 0 to 1. */
export interface BlendPart {
  readonly fat: Fat
  readonly share: number
}

/** The recipe's fats looked up in the table. @throws {RangeError} if a key is not in the table */
export function blendOf(recipe: Pick<Recipe, 'fats'>): readonly BlendPart[] {
  return recipe.fats.map(({ fatKey, share }) => {
    const fat = findFat(fatKey)
    if (!fat) throw new RangeError(`Expected a fat of the table, got ${fatKey}`)
    return { fat, share }
  })
}

/** Share still missing to 100 % (negative when there is too much), with the dust of typing swept away. */
export function missingShare(fats: Recipe['fats']): number {
  return Number((1 - fats.reduce((sum, { share }) => sum + share, 0)).toFixed(4))
}
