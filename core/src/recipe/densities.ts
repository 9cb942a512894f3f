import type { Range } from '../units'

/** What has a density of its own besides fats and lye. */
export type DensityKind = 'additive' | 'liquid' | 'scent' | 'colourant'

/** A density that the workshop knows of a thing of its stores, by its certificate or by weighing a jug of it. */
export interface KnownDensity {
  readonly kind: DensityKind
  readonly name: string
  /** g/ml, within {@link densityRange}. */
  readonly densityGMl: number
}

export interface Density {
  readonly densityGMl: number
  /** Whether no table and no certificate says it. */
  readonly isEstimate: boolean
}

/** From the lightest flour to a heavy white pigment, g/ml. */
export const densityRange: Range = { min: 0.2, max: 7 }

/** Density of water, g/ml at 20 °C: CRC Handbook of Chemistry and Physics. */
export const waterDensityGMl = 0.998
/** What milk, purees and juices hold besides water, g/ml: about that of dissolved sugars. An estimate. */
const dissolvedDensityGMl = 1.5

type Row = readonly [words: RegExp, densityGMl: number, says: 'table' | 'estimate']

/**
 * What usual additives and colourants displace when they are stirred in, g/ml: of the stuff itself, not of its heap.
 * 'table' is CRC Handbook of Chemistry and Physics (salts, sugars, acids, oxides), usual mineralogical tables (clays,
 * mica, pumice) or a food table (honey); the rest are estimates. The first row whose words are in the name holds.
 */
const usual: readonly Row[] = [
  [/\b(bicarbonate|baking soda)\b/, 2.2, 'table'],
  [/\bsodium (citrate|lactate)\b/, 1.33, 'estimate'],
  [/\bcitric\b/, 1.66, 'table'],
  [/\bsalt\b/, 2.16, 'table'],
  [/\b(sugar|sucrose|sorbitol)\b/, 1.59, 'table'],
  [/\b(clay|kaolin|bentonite|mud)\b/, 2.6, 'table'],
  [/\bmica\b/, 2.8, 'table'],
  [/\bpumice\b/, 2.3, 'estimate'],
  [/\btitanium\b/, 4.23, 'table'],
  [/\bzinc\b/, 5.6, 'table'],
  [/\b(iron|ochre|umber|sienna) ?oxide\b/, 5.2, 'table'],
  [/\b(ochre|umber|sienna)\b/, 3, 'estimate'],
  [/\bchrom(e|ium)\b/, 5.2, 'table'],
  [/\boxides?\b/, 5.2, 'estimate'],
  [/\bultramarine\b/, 2.35, 'estimate'],
  [/\b(charcoal|carbon)\b/, 2, 'estimate'],
  [/\b(oats?|oatmeal|flour|starch|meal|bran)\b/, 1.4, 'estimate'],
  [/\b(milk|cream|yogh?urt|whey)\b/, 1.4, 'estimate'],
  [/\b(seeds?|petals?|peel|leaf|leaves|coffee|luffa|loofah)\b/, 1.2, 'estimate'],
  [/\b(spirulina|indigo|turmeric|madder|paprika|cocoa|alkanet|powder)\b/, 1.4, 'estimate'],
  [/\bsilk\b/, 1.3, 'estimate'],
]

/** Liquids whose density their water does not tell. */
const usualLiquids: readonly Row[] = [
  [/\b(honey|syrup|molasses)\b/, 1.42, 'table'],
  [/\bsodium lactate\b/, 1.33, 'estimate'],
]

/** What nothing is known of: a mineral powder as colourant, else ground plants. Estimates. */
const unknownGMl = { colourant: 2.6, additive: 1.4 } as const
/** Density reckoned for a scent that has none of its own, g/ml. A convention of the house, and so an estimate. */
const usualScentDensityGMl = 0.95

/** One thing under whatever letters and spaces it was written with. @example plainName(' White  Clay') // 'white clay' */
export function plainName(name: string): string {
  return name.trim().toLowerCase().replace(/\s+/g, ' ')
}

function usualOf(rows: readonly Row[], name: string): Density | undefined {
  const row = rows.find(([words]) => words.test(plainName(name)))
  return row && { densityGMl: row[1], isEstimate: row[2] === 'estimate' }
}

const known = (kind: DensityKind, name: string, of: readonly KnownDensity[]): Density | undefined => {
  const found = of.find((one) => one.kind === kind && plainName(one.name) === plainName(name))
  return found && { densityGMl: found.densityGMl, isEstimate: false }
}

/**
 * Density of an additive or colourant, g/ml: as the workshop has it, else as the table says of such a thing.
 *
 * @param knownDensities what the stores know
 */
export function densityOfSolid(
  kind: 'additive' | 'colourant',
  name: string,
  knownDensities: readonly KnownDensity[] = [],
): Density {
  return (
    known(kind, name, knownDensities) ??
    usualOf([...usual, ...usualLiquids], name) ?? { densityGMl: unknownGMl[kind], isEstimate: true }
  )
}

/**
 * Density of a liquid other than water, g/ml: as the workshop has it, else of its water and what it holds besides.
 *
 * @param waterShare mass fraction of water in it, 0 to 1
 */
export function densityOfLiquid(
  name: string,
  waterShare: number,
  knownDensities: readonly KnownDensity[] = [],
): Density {
  const mlPerG = waterShare / waterDensityGMl + (1 - waterShare) / dissolvedDensityGMl
  return (
    known('liquid', name, knownDensities) ?? usualOf(usualLiquids, name) ?? { densityGMl: 1 / mlPerG, isEstimate: true }
  )
}

/** Density of a scent, g/ml: as the workshop has it, else that of the house. */
export function densityOfScent(name: string, knownDensities: readonly KnownDensity[] = []): Density {
  return known('scent', name, knownDensities) ?? { densityGMl: usualScentDensityGMl, isEstimate: true }
}

/** Whether it is table salt or its like: what a salt bar is made with. */
export function isSalt(name: string): boolean {
  return /\bsalt\b/.test(plainName(name))
}
