/** What an ingredient may bring that a maker or a buyer does not want. */
export const contentKeys = ['animal', 'palm', 'nut'] as const
export type ContentKey = (typeof contentKeys)[number]

/**
 * What the fats of the table bring. Nuts as named by Regulation (EU) 1169/2011, Annex II, with peanut and the shea nut,
 * which buyers ask about, beside them. Stearic and lauric acid are made of palm or tallow unless the supplier says
 * otherwise, so they break both promises until a certificate clears them.
 */
const fatContents: Readonly<Record<string, readonly ContentKey[]>> = {
  palm: ['palm'],
  palm_kernel: ['palm'],
  lard: ['animal'],
  tallow: ['animal'],
  beeswax: ['animal'],
  stearic_acid: ['palm', 'animal'],
  lauric_acid: ['palm'],
  almond_sweet: ['nut'],
  macadamia: ['nut'],
  peanut: ['nut'],
  shea: ['nut'],
}

/** What a fat brings that a promise may forbid. */
export function contentsOfFat({
  key,
  contains,
}: {
  readonly key: string
  readonly contains?: readonly ContentKey[]
}): readonly ContentKey[] {
  return contains ?? fatContents[key] ?? []
}
