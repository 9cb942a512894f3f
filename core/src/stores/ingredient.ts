import type { DensityKind, KnownDensity, KnownMakeup, Makeup } from '../recipe'
import { plainName } from '../recipe'

export const ingredientKinds = [
  'fat',
  'alkali',
  'scent',
  'colourant',
  'liquid',
  'additive',
  'packaging',
  'stamp',
] as const
export type IngredientKind = (typeof ingredientKinds)[number]

export const ingredientKindWords: Readonly<Record<IngredientKind, string>> = {
  fat: 'Fats',
  alkali: 'Alkalis',
  scent: 'Scents',
  colourant: 'Colourants',
  liquid: 'Liquids',
  additive: 'Additives',
  packaging: 'Packaging',
  stamp: 'Stamps',
}

/** What the stores keep of one thing. */
export interface Ingredient {
  readonly id: string
  readonly kind: IngredientKind
  readonly name: string
  /** Key of the fat, `naoh` or `koh`; empty for what recipes and designs call by its name. */
  readonly ref: string
  /** Days from the order until it is here. */
  readonly leadDays: number
  /** Smallest amount that is sold, g or pieces; 0 when any amount is. */
  readonly packSize: number
  /** Pieces for each bar, of packaging. */
  readonly perBar: number
  /** g/ml, where the workshop knows better than the table; null: it does not. */
  readonly densityGMl: number | null
  /** What a liquid or additive is made of, where the workshop knows better than the library; null: it does not. */
  readonly makeup: Makeup | null
  /** Its INCI name or colour index number, as it stands on a label; empty: not known. */
  readonly inci: string
}

/** Kinds that take up room in a batter by a density of their own; a fat's own is among its figures. */
export const densityKinds = ['additive', 'liquid', 'scent', 'colourant'] as const satisfies readonly DensityKind[]

/** What the stores know of densities. */
export function densitiesKnown(
  ingredients: readonly Pick<Ingredient, 'kind' | 'name' | 'densityGMl'>[],
): readonly KnownDensity[] {
  return ingredients.flatMap(({ kind: of, name, densityGMl }) => {
    const kind = densityKinds.find((one) => one === of)
    return kind === undefined || densityGMl === null ? [] : [{ kind, name, densityGMl }]
  })
}

/** What the stores know of the makeup of liquids and additives. */
export function makeupsKnown(
  ingredients: readonly Pick<Ingredient, 'kind' | 'name' | 'makeup'>[],
): readonly KnownMakeup[] {
  return ingredients.flatMap(({ kind, name, makeup }) =>
    makeup && (kind === 'liquid' || kind === 'additive') ? [{ kind, name, makeup }] : [],
  )
}

/** What is counted in pieces; all else is weighed in g. */
export function isCounted(kind: IngredientKind): boolean {
  return kind === 'packaging' || kind === 'stamp'
}

/** By what a need and the ingredient that meets it find each other. @example ingredientKey('fat', 'olive') // 'fat:olive' */
export function ingredientKey(kind: IngredientKind, refOrName: string): string {
  return `${kind}:${plainName(refOrName)}`
}

/** The key of an ingredient on the shelf: by the fat or scent that it is, else by its name. */
export function keyOfIngredient({ kind, ref, name }: Pick<Ingredient, 'kind' | 'ref' | 'name'>): string {
  return ingredientKey(kind, ref === '' ? name : ref)
}
