import type { Fat } from '../fats'
import { findFat } from '../fats'
import type { KnownDensity } from './densities'
import type { KnownMakeup } from './library'
import type { RecipeAdditive, RecipeLiquid } from './parts'
import type { School } from './school'
import { roundTo } from '../units'

/** Which of the three figures for water a maker states and keeps; the others follow from it. */
export const waterStyles = ['lye_concentration', 'water_to_lye', 'share_of_fats'] as const
export type WaterStyle = (typeof waterStyles)[number]

/** A recipe by share: what is weighed for each gram of fats. What is left out is not used. */
export interface Recipe {
  /** `atTrace`: not melted with the others but stirred in at trace; it takes its alkali all the same. */
  readonly fats: readonly { readonly fatKey: string; readonly share: number; readonly atTrace?: boolean }[]
  /** Fraction of the fats left unsaponified. */
  readonly superfat: number
  /** Alkali over alkali plus all water, as weighed; water inside of other liquids counts. */
  readonly lyeConcentration: number
  /** Mass fraction of NaOH in the flakes. */
  readonly naohPurity: number
  /** Share of the alkali, by moles, that is potassium hydroxide. @default 0 */
  readonly kohShare?: number
  /** Mass fraction of KOH in the flakes. @default 0.9, as flakes usually are */
  readonly kohPurity?: number
  readonly liquids?: readonly RecipeLiquid[]
  readonly additives?: readonly RecipeAdditive[]
  /** Whether more lye makes up for what acids take up, so that the superfat is as wished. @default false */
  readonly meetsAcids?: boolean | undefined
  /** Fats as the workshop has them, narrowed by certificates. They go before the table. @default none */
  readonly knownFats?: readonly Fat[]
  /** Densities that the workshop's stores know. They go before the table. @default none */
  readonly knownDensities?: readonly KnownDensity[]
  /** What liquids and additives of the workshop's stores are made of. It goes before the library. @default none */
  readonly knownMakeups?: readonly KnownMakeup[]
  /** How it is made. @default usualSchool */
  readonly school?: School
  /** Whether the loaves gel in an oven overnight. @default false */
  readonly oven?: boolean
}

/** A fat of the table with its share of all fats, 0 to 1. */
export interface BlendPart {
  readonly fat: Fat
  readonly share: number
}

/** The fat that a recipe means by a key: as the workshop has it, else as the table says. */
export function fatOf({ knownFats = [] }: Pick<Recipe, 'knownFats'>, fatKey: string): Fat | undefined {
  return knownFats.find(({ key }) => key === fatKey) ?? findFat(fatKey)
}

/** The recipe's fats looked up. @throws {RangeError} if a key is not in the table */
export function blendOf(recipe: Pick<Recipe, 'fats' | 'knownFats'>): readonly BlendPart[] {
  return recipe.fats.map(({ fatKey, share }) => {
    const fat = fatOf(recipe, fatKey)
    if (!fat) throw new RangeError(`Expected a fat of the table, got ${fatKey}`)
    return { fat, share }
  })
}

/** Share still missing to 100 % (negative when there is too much), with the dust of typing swept away. */
export function missingShare(fats: Recipe['fats']): number {
  return roundTo(1 - fats.reduce((sum, { share }) => sum + share, 0), 4)
}
