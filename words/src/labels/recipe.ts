import type { ContentKey, FattyAcidGroupKey } from '@vendange/core/fats'
import type { Blending, CureSchool, LyeSchool, QualityKey, School } from '@vendange/core/recipe'

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

/** What a quality is called, what each of its three levels means, and which acids count and why. */
export const qualityWords: Readonly<
  Record<
    QualityKey,
    { readonly label: string; readonly verdicts: readonly [string, string, string]; readonly why: string }
  >
> = {
  foam: {
    label: 'Foam',
    verdicts: ['little foam, slow to come', 'foams well', 'big foam at once'],
    why: 'lauric and myristic acid make it, ricinoleic holds it',
  },
  stripping: {
    label: 'How it strips',
    verdicts: ['gentle to dry skin', 'usual', 'strips: for dishes rather than dry skin'],
    why: 'short saturated chains carry off skin’s own oils',
  },
  firmness: {
    label: 'Firm at the cut',
    verdicts: ['soft: longer in the mould', 'firm enough to cut', 'hard soon: cut it early, or it crumbles'],
    why: 'all saturated acids together',
  },
  wear: {
    label: 'Lasts in use',
    verdicts: ['used up soon', 'lasts as usual', 'lasts long'],
    why: 'soaps of palmitic and stearic acid hardly dissolve',
  },
  keeping: {
    label: 'Goes off',
    verdicts: ['keeps a year and more', 'keeps about a year', 'may turn rancid within months'],
    why: 'linoleic acid, and linolenic twice, take up oxygen',
  },
  thickening: {
    label: 'Thickens',
    verdicts: ['slow: time for swirls', 'at a usual pace', 'fast: few colours'],
    why: 'long saturated chains and castor oil bring trace on',
  },
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
