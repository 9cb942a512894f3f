import type { ContentKey } from '../fats'

export const liquidPlaces = ['lye', 'fats', 'emulsion'] as const
export const additivePlaces = ['lye', 'fats', 'emulsion', 'trace'] as const
export const additiveBases = ['fats', 'batter', 'bar'] as const
export const wettings = ['water', 'fat'] as const

/** A liquid that brings part of the water: milk, puree, aloe, beer. What it holds besides water comes on top. */
export interface RecipeLiquid {
  readonly name: string
  /** Mass fraction of water in it, as its maker or a food table says. */
  readonly waterShare: number
  /** Share of the recipe's water that it brings. */
  readonly partOfWater: number
  /** Where it goes in. */
  readonly place: (typeof liquidPlaces)[number]
  readonly contains: readonly ContentKey[]
}

/** Salt, sugar, clay, oats and the like. */
export interface RecipeAdditive {
  readonly name: string
  /** `fats`, `batter`: `rate` is a mass fraction of them; `bar`: it is g for each bar. */
  readonly basis: (typeof additiveBases)[number]
  readonly rate: number
  readonly place: (typeof additivePlaces)[number]
  /** Stirred into this many times its mass of water or fat, taken from the batch; null: goes in as it is. */
  readonly wetting: { readonly with: (typeof wettings)[number]; readonly ratio: number } | null
  readonly contains: readonly ContentKey[]
}
