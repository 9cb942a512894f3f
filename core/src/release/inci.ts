import { plainName } from '../recipe'
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
  [/\bcharcoal\b/, 'Charcoal Powder'],
  [/\b(kaolin|white clay|china clay)\b/, 'Kaolin'],
  [/\bbentonite\b/, 'Bentonite'],
  [/\bclay\b/, 'Illite'],
  [/\bpumice\b/, 'Pumice'],
  [/\bsalt\b/, 'Sodium Chloride'],
  [/\bsugar\b/, 'Sucrose'],
  [/\bhoney\b/, 'Mel'],
  [/\bcitric\b/, 'Citric Acid'],
  [/\bsodium lactate\b/, 'Sodium Lactate'],
  [/\bsodium citrate\b/, 'Sodium Citrate'],
  [/\b(oat milk|oats?|oatmeal)\b/, 'Avena Sativa Kernel Flour'],
  [/\bgoat/, 'Caprae Lac'],
  [/\bcoconut milk\b/, 'Cocos Nucifera Fruit Extract'],
  [/\b(milk|cream)\b/, 'Lac'],
  [/\baloe\b/, 'Aloe Barbadensis Leaf Juice'],
  [/\bcocoa\b/, 'Theobroma Cacao Seed Powder'],
  [/\bcoffee\b/, 'Coffea Arabica Seed Powder'],
  [/\bpoppy\b/, 'Papaver Somniferum Seed'],
  [/\bturmeric\b/, 'Curcuma Longa Root Powder'],
  [/\bindigo\b/, 'Indigofera Tinctoria Leaf Powder'],
  [/\bmadder\b/, 'Rubia Tinctorum Root Powder'],
  [/\bspirulina\b/, 'Spirulina Platensis Powder'],
  [/\bsilk\b/, 'Serica'],
]

/** The list to choose a name on a label from. */
export const usualInci: readonly string[] = [...new Set(usual.map(([, inci]) => inci))].sort()

/** What a thing with such a name is usually called on a label; undefined where the list does not tell. */
export function suggestedInci(name: string): string | undefined {
  return usual.find(([words]) => words.test(plainName(name)))?.[1]
}
