import type { Recipe } from './recipe'
import { roundShare } from './shareOut'
import { roundTo } from '../units'

type FatLine = Recipe['fats'][number]

/**
 * Sets one fat's share and takes the difference from, or gives it to, the others that are not locked, in proportion, so
 * that the sum stays what it was. What the others cannot give stays too much, for the maker to see.
 */
export function withShare<T extends FatLine>(
  fats: readonly T[],
  index: number,
  share: number,
  locked: ReadonlySet<string>,
): readonly T[] {
  const before = fats[index]
  if (!before) return fats
  const free = fats.filter((fat, at) => at !== index && !locked.has(fat.fatKey))
  const freeShare = free.reduce((sum, fat) => sum + fat.share, 0)
  const left = Math.max(0, freeShare - (share - before.share))
  const spread = fats.map((fat, at) => {
    if (at === index) return { ...fat, share: roundShare(share) }
    if (!free.includes(fat) || freeShare === 0) return fat
    return { ...fat, share: roundShare((fat.share / freeShare) * left) }
  })
  return withoutDust(spread, fats, index, locked)
}

/** Rounding leaves a little over: it goes to the largest of the free others. */
function withoutDust<T extends FatLine>(
  spread: readonly T[],
  before: readonly T[],
  index: number,
  locked: ReadonlySet<string>,
): readonly T[] {
  const sum = (fats: readonly T[]): number => fats.reduce((total, { share }) => total + share, 0)
  const dust = roundTo(sum(before) - sum(spread), 4)
  const others = spread.filter((fat, at) => at !== index && !locked.has(fat.fatKey) && fat.share > 0)
  const largest = [...others].sort((a, b) => b.share - a.share)[0]
  if (!largest || dust === 0 || Math.abs(dust) > 0.001) return spread
  return spread.map((fat) => (fat === largest ? { ...fat, share: roundShare(fat.share + dust) } : fat))
}

/** Brings the shares to 100 % by the fats that are not locked, in proportion; unchanged when all are locked. */
export function toWhole<T extends FatLine>(fats: readonly T[], locked: ReadonlySet<string>): readonly T[] {
  const isFree = ({ fatKey }: FatLine): boolean => !locked.has(fatKey)
  const free = fats.filter(isFree)
  const freeShare = free.reduce((sum, { share }) => sum + share, 0)
  const lockedShare = fats.reduce((sum, { share }) => sum + share, 0) - freeShare
  if (freeShare === 0 || lockedShare >= 1) return fats
  const whole = fats.map((fat) =>
    isFree(fat) ? { ...fat, share: roundShare((fat.share / freeShare) * (1 - lockedShare)) } : fat,
  )
  const dust = roundTo(1 - whole.reduce((sum, { share }) => sum + share, 0), 4)
  const largest = [...whole].filter(isFree).sort((a, b) => b.share - a.share)[0]
  return whole.map((fat) => (fat === largest ? { ...fat, share: roundShare(fat.share + dust) } : fat))
}

/**
 * Sets one fat's mass, the other masses staying as they are: all shares and the mass of all fats follow.
 *
 * @param fatsG mass of all fats before, g
 */
export function withMass<T extends FatLine>(
  fats: readonly T[],
  index: number,
  massG: number,
  fatsG: number,
): { readonly fats: readonly T[]; readonly fatsG: number } {
  const masses = fats.map(({ share }, at) => (at === index ? massG : share * fatsG))
  const total = masses.reduce((sum, mass) => sum + mass, 0)
  if (total <= 0) return { fats, fatsG }
  const shares = fats.map((fat, at) => ({ ...fat, share: roundShare((masses[at] ?? 0) / total) }))
  return { fats: toWhole(shares, new Set()), fatsG: roundTo(total, 3) }
}
