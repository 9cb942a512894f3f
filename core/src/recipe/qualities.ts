import type { FattyAcid } from '../fats'
import type { BlendPart, Recipe } from './recipe'
import { blendOf } from './recipe'

export type QualityKey = 'foam' | 'stripping' | 'firmness' | 'wear' | 'keeping' | 'thickening'

/** What a bar will be like in one respect. */
export interface Quality {
  readonly key: QualityKey
  /** Mass of the acids in question over the mass of the fats, 0 to 1. */
  readonly share: number
  /** Below the first, between the two, above the second. */
  readonly thresholds: readonly [number, number]
  /** 0: below the first threshold, 1: between, 2: above the second. */
  readonly level: 0 | 1 | 2
}

interface Measure {
  readonly key: Quality['key']
  readonly weights: Readonly<Partial<Record<FattyAcid, number>>>
  readonly thresholds: readonly [number, number]
}

/**
 * The measures are shares of fatty acids by mass. Which acids count follows from their chemistry: soaps of short saturated
 * chains dissolve and foam at once, those of long ones hardly dissolve and wear slowly; double bonds make acids soft and
 * open to the air. Linolenic acid takes up oxygen about twice as fast as linoleic (Frankel, Lipid Oxidation, 2nd ed.,
 * 2005) and counts twice. The thresholds are estimates of the house, to be moved by a workshop's own bars.
 */
const measures: readonly Measure[] = [
  {
    key: 'foam',
    weights: { lauric: 1, myristic: 1, ricinoleic: 0.5 },
    thresholds: [0.1, 0.24],
  },
  {
    key: 'stripping',
    weights: { caprylic: 1, capric: 1, lauric: 1, myristic: 1 },
    thresholds: [0.12, 0.25],
  },
  {
    key: 'firmness',
    weights: { caprylic: 1, capric: 1, lauric: 1, myristic: 1, palmitic: 1, stearic: 1 },
    thresholds: [0.3, 0.5],
  },
  {
    key: 'wear',
    weights: { palmitic: 1, stearic: 1 },
    thresholds: [0.12, 0.24],
  },
  {
    key: 'keeping',
    weights: { linoleic: 1, linolenic: 2 },
    thresholds: [0.1, 0.16],
  },
  {
    key: 'thickening',
    weights: { lauric: 0.6, myristic: 0.8, palmitic: 1, stearic: 1, ricinoleic: 1 },
    thresholds: [0.22, 0.36],
  },
]

function shareOf(blend: readonly BlendPart[], weights: Measure['weights']): number {
  return blend.reduce(
    (sum, { fat, share }) =>
      sum +
      Object.entries(weights).reduce(
        (acids, [acid, weight]) => acids + (weight * (fat.fattyAcidPercent?.[acid as FattyAcid] ?? 0) * share) / 100,
        0,
      ),
    0,
  )
}

/**
 * What a bar of these fats will be like, in measures with their reasons. Estimates: superfat, scent, water and cure have
 * their say, too.
 *
 * @throws {RangeError} if a fat is not in the table
 */
export function recipeQualities(recipe: Pick<Recipe, 'fats' | 'knownFats'>): readonly Quality[] {
  const blend = blendOf(recipe)
  return measures.map(({ weights, ...measure }) => {
    const share = shareOf(blend, weights)
    const level = share < measure.thresholds[0] ? 0 : share <= measure.thresholds[1] ? 1 : 2
    return { ...measure, share, level }
  })
}
