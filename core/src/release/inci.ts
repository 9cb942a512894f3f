import type { LibraryEntry } from '../recipe'
import { entryOf, partLibrary, plainName } from '../recipe'
import type { IngredientKind } from '../stores'
import { ingredientKey } from '../stores'

/** What one thing of the stores is called on a label. */
export interface NameOnLabel {
  readonly kind: IngredientKind
  readonly name: string
  /** INCI name or colour index number. */
  readonly inci: string
}

/** What the stores know of names on labels. */
export function namesOnLabel(
  ingredients: readonly { readonly kind: IngredientKind; readonly name: string; readonly inci: string }[],
): readonly NameOnLabel[] {
  return ingredients.flatMap(({ kind, name, inci }) => (inci.trim() === '' ? [] : [{ kind, name, inci: inci.trim() }]))
}

/** The name on a label of what recipes and soaps call by a name; undefined while the stores do not know it. */
export function inciOf(known: readonly NameOnLabel[], kind: IngredientKind, name: string): string | undefined {
  const key = ingredientKey(kind, name)
  return known.find((one) => ingredientKey(one.kind, one.name) === key)?.inci
}

type Usual = readonly [words: RegExp, inci: string]

/**
 * INCI names and colour index numbers of what is usually stirred into soap, the colours as they stand in Annex IV of
 * Regulation (EC) No 1223/2009. A list to choose from: what a supplier’s certificate says goes before it.
 */
const usual: readonly Usual[] = [
  [/\btitanium\b|\bwhite\b(?! clay)/, 'CI 77891'],
  [/\bzinc\b/, 'CI 77947'],
  [/\bultramarine\b/, 'CI 77007'],
  [/\bred (iron )?oxide\b/, 'CI 77491'],
  [/\byellow (iron )?oxide\b|\bochre\b/, 'CI 77492'],
  [/\bblack (iron )?oxide\b/, 'CI 77499'],
  [/\bchrom(e|ium) (oxide|green)\b/, 'CI 77288'],
  [/\bmanganese\b/, 'CI 77742'],
  [/\bmica\b/, 'Mica'],
  [/\bturmeric\b/, 'Curcuma Longa Root Powder'],
  [/\bindigo\b/, 'Indigofera Tinctoria Leaf Powder'],
  [/\bmadder\b/, 'Rubia Tinctorum Root Powder'],
  [/\bspirulina\b/, 'Spirulina Platensis Powder'],
]

/** The list to choose a name on a label from. */
export const usualInci: readonly string[] = [
  ...new Set([...usual.map(([, inci]) => inci), ...partLibrary.map(({ inci }) => inci)].filter((inci) => inci !== '')),
].sort()

/** What a thing with such a name is usually called on a label; undefined where the list does not tell. */
export function suggestedInci(name: string, kind: LibraryEntry['kind'] = 'additive'): string | undefined {
  const ofLibrary = entryOf(kind, name)?.inci
  return usual.find(([words]) => words.test(plainName(name)))?.[1] ?? (ofLibrary === '' ? undefined : ofLibrary)
}
