import type { Fat, FattyAcid } from './fat'

/** What a group of fatty acids does in a bar, in the maker's words. */
export interface FattyAcidGroup {
  readonly key: string
  readonly label: string
  readonly does: string
  readonly acids: readonly FattyAcid[]
}

/** Every fatty acid of the table belongs to exactly one group. */
export const fattyAcidGroups: readonly FattyAcidGroup[] = [
  {
    key: 'foam',
    label: 'Quick foam',
    does: 'lauric and myristic: fast, big foam; strips skin when there is much of it',
    acids: ['lauric', 'myristic'],
  },
  {
    key: 'short',
    label: 'Short chains',
    does: 'caprylic and capric: foam at once, harsh in quantity',
    acids: ['caprylic', 'capric'],
  },
  {
    key: 'firm',
    label: 'Firm and slow to wear',
    does: 'palmitic and stearic: hard bars, creamy foam',
    acids: ['palmitic', 'stearic'],
  },
  {
    key: 'mild',
    label: 'Mild',
    does: 'oleic and palmitoleic: gentle, slow to harden',
    acids: ['oleic', 'palmitoleic'],
  },
  {
    key: 'tender',
    label: 'Goes off first',
    does: 'linoleic and linolenic: soft, and the first to turn rancid',
    acids: ['linoleic', 'linolenic'],
  },
  {
    key: 'ricinoleic',
    label: 'Holds the foam',
    does: 'ricinoleic, of castor: keeps foam standing',
    acids: ['ricinoleic'],
  },
  { key: 'longer', label: 'Long chains', does: '20 carbons and up', acids: ['longer'] },
]

export interface GroupShare {
  readonly group: FattyAcidGroup
  /** Fraction of the fats' mass, 0 to 1. */
  readonly share: number
}

/**
 * Share of each fatty-acid group in a blend of fats, by mass of the fats. What the table does not name (small and odd
 * acids, waxes without a profile) is the rest up to 1, given as `unnamedShare`.
 *
 * @throws {RangeError} if the shares do not have a positive sum
 */
export function fattyAcidProfile(fats: readonly { readonly fat: Fat; readonly share: number }[]): {
  readonly groups: readonly GroupShare[]
  readonly unnamedShare: number
} {
  const total = fats.reduce((sum, { share }) => sum + share, 0)
  if (!(total > 0)) throw new RangeError(`Expected shares with a positive sum, got ${total}`)
  const groups = fattyAcidGroups.map((group) => ({
    group,
    share: fats.reduce((sum, { fat, share }) => {
      const percent = group.acids.reduce((acids, acid) => acids + (fat.fattyAcidPercent?.[acid] ?? 0), 0)
      return sum + (share / total) * (percent / 100)
    }, 0),
  }))
  const named = groups.reduce((sum, { share }) => sum + share, 0)
  return { groups, unnamedShare: Math.max(0, 1 - named) }
}

/** Fraction of the fats' mass that is liquid at 20 °C. @throws {RangeError} if the shares do not have a positive sum */
export function liquidShare(fats: readonly { readonly fat: Fat; readonly share: number }[]): number {
  const total = fats.reduce((sum, { share }) => sum + share, 0)
  if (!(total > 0)) throw new RangeError(`Expected shares with a positive sum, got ${total}`)
  return fats.reduce((sum, { fat, share }) => sum + (fat.stateAt20C === 'liquid' ? share / total : 0), 0)
}
