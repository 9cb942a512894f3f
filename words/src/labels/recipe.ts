import type { ContentKey, FattyAcidGroupKey } from '@vendange/core/fats'
import type { Observation, ObservationKey } from '@vendange/core/observations'
import type { Blending, CureSchool, LyeSchool, School } from '@vendange/core/recipe'

export const contentWords: Readonly<Record<ContentKey, string>> = {
  animal: 'of animals',
  palm: 'of palms',
  nut: 'of nuts',
}

/** What each group of fatty acids is called and does in a bar. */
export const fattyAcidGroupWords: Readonly<
  Record<FattyAcidGroupKey, { readonly label: string; readonly does: string }>
> = {
  foam: { label: 'Quick foam', does: 'lauric and myristic: fast, big foam; strips skin when there is much of it' },
  short: { label: 'Short chains', does: 'caprylic and capric: foam at once, harsh in quantity' },
  firm: { label: 'Firm and slow to wear', does: 'palmitic and stearic: hard bars, creamy foam' },
  mild: { label: 'Mild', does: 'oleic and palmitoleic: gentle, slow to harden' },
  tender: { label: 'Goes off first', does: 'linoleic and linolenic: soft, and the first to turn rancid' },
  ricinoleic: { label: 'Holds the foam', does: 'ricinoleic, of castor: keeps foam standing' },
  longer: { label: 'Long chains', does: '20 carbons and up' },
}

/** What a maker asks of a soap, in each respect that can be observed. */
export const observationLabels: Readonly<Record<ObservationKey, string>> = {
  thin: 'Thin trace',
  thick: 'Too thick for a swirl',
  cuts: 'Cuts cleanly',
  foam: 'Foam',
  strips: 'Strips',
  lasts: 'Lasts',
  keeps: 'May go off',
}

/** "estimate", or how many of the workshop's own moved it. */
export function learnedWords({ key, seen, seenOfRecipe }: Pick<Observation, 'key' | 'seen' | 'seenOfRecipe'>): string {
  if (seen === 0) return 'estimate'
  const what = key === 'thin' || key === 'thick' ? 'timed pour' : 'record'
  const all = `estimate, moved by ${seen} ${what}${seen === 1 ? '' : 's'} of yours`
  return seenOfRecipe > 0 ? `${all}, ${seenOfRecipe} of this recipe` : all
}

export const lyeSchoolWords: Readonly<Record<LyeSchool, string>> = {
  same_day: 'The same day, cooled',
  same_day_hot: 'The same day, used hot',
  night_before: 'The night before',
}
export const scentSchoolWords: Readonly<Record<School['scent'], string>> = {
  last: 'Last, after the colours',
  at_once: 'At once, at emulsion',
}
export const blendingWords: Readonly<Record<Blending, string>> = {
  brief: 'In short bursts, by spoon between',
  usual: 'Until emulsion',
  long: 'Well beyond emulsion',
}
export const cureSchoolWords: Readonly<Record<CureSchool, string>> = {
  days: 'After its days',
  scale: 'By the scale, levelled off',
  both: 'After its days and levelled off',
}
