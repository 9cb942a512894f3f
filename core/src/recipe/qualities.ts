import type { FattyAcid } from '../fats'
import type { BlendPart, Recipe } from './recipe'
import { blendOf } from './recipe'

/** What a bar will be like in one respect. */
export interface Quality {
  readonly key: 'foam' | 'stripping' | 'firmness' | 'wear' | 'keeping' | 'thickening'
  readonly label: string
  /** Mass of the acids in question over the mass of the fats, 0 to 1. */
  readonly share: number
  /** Below the first, between the two, above the second. */
  readonly thresholds: readonly [number, number]
  /** 0: below the first threshold, 1: between, 2: above the second. */
  readonly level: 0 | 1 | 2
  readonly verdict: string
  /** Which acids count, and why. */
  readonly why: string
}

interface Measure {
  readonly key: Quality['key']
  readonly label: string
  readonly weights: Readonly<Partial<Record<FattyAcid, number>>>
  readonly thresholds: readonly [number, number]
  readonly verdicts: readonly [string, string, string]
  readonly why: string
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
    label: 'Foam',
    weights: { lauric: 1, myristic: 1, ricinoleic: 0.5 },
    thresholds: [0.1, 0.24],
    verdicts: ['little foam, slow to come', 'foams well', 'big foam at once'],
    why: 'lauric and myristic acid make it, ricinoleic holds it',
  },
  {
    key: 'stripping',
    label: 'How it strips',
    weights: { caprylic: 1, capric: 1, lauric: 1, myristic: 1 },
    thresholds: [0.12, 0.25],
    verdicts: ['gentle to dry skin', 'usual', 'strips: for dishes rather than dry skin'],
    why: 'short saturated chains carry off skin’s own oils',
  },
  {
    key: 'firmness',
    label: 'Firm at the cut',
    weights: { caprylic: 1, capric: 1, lauric: 1, myristic: 1, palmitic: 1, stearic: 1 },
    thresholds: [0.3, 0.5],
    verdicts: ['soft: longer in the mould', 'firm enough to cut', 'hard soon: cut it early, or it crumbles'],
    why: 'all saturated acids together',
  },
  {
    key: 'wear',
    label: 'Lasts in use',
    weights: { palmitic: 1, stearic: 1 },
    thresholds: [0.12, 0.24],
    verdicts: ['used up soon', 'lasts as usual', 'lasts long'],
    why: 'soaps of palmitic and stearic acid hardly dissolve',
  },
  {
    key: 'keeping',
    label: 'Goes off',
    weights: { linoleic: 1, linolenic: 2 },
    thresholds: [0.1, 0.16],
    verdicts: ['keeps a year and more', 'keeps about a year', 'may turn rancid within months'],
    why: 'linoleic acid, and linolenic twice, take up oxygen',
  },
  {
    key: 'thickening',
    label: 'Thickens',
    weights: { lauric: 0.6, myristic: 0.8, palmitic: 1, stearic: 1, ricinoleic: 1 },
    thresholds: [0.22, 0.36],
    verdicts: ['slow: time for swirls', 'at a usual pace', 'fast: few colours'],
    why: 'long saturated chains and castor oil bring trace on',
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
  return measures.map(({ weights, verdicts, ...measure }) => {
    const share = shareOf(blend, weights)
    const level = share < measure.thresholds[0] ? 0 : share <= measure.thresholds[1] ? 1 : 2
    return { ...measure, share, level, verdict: verdicts[level] }
  })
}
