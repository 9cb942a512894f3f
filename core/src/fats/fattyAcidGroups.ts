import type { Fat, FattyAcid } from './fat'

export type FattyAcidGroupKey = 'foam' | 'short' | 'firm' | 'mild' | 'tender' | 'ricinoleic' | 'longer'

/** Fatty acids that do the same in a bar. */
export interface FattyAcidGroup {
  readonly key: FattyAcidGroupKey
  readonly acids: readonly FattyAcid[]
}

/** Every fatty acid of the table belongs to exactly one group. */
export const fattyAcidGroups: readonly FattyAcidGroup[] = [
  {
    key: 'foam',
    acids: ['lauric', 'myristic'],
  },
  {
    key: 'short',
    acids: ['caprylic', 'capric'],
  },
  {
    key: 'firm',
    acids: ['palmitic', 'stearic'],
  },
  {
    key: 'mild',
    acids: ['oleic', 'palmitoleic'],
  },
  {
    key: 'tender',
    acids: ['linoleic', 'linolenic'],
  },
  {
    key: 'ricinoleic',
    acids: ['ricinoleic'],
  },
  { key: 'longer', acids: ['longer'] },
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
