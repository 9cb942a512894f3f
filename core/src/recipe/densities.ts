import type { Range } from '../units'
import type { LibraryEntry } from './library'
import { entryOf } from './library'
import { plainName } from './plainName'

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
/** A liquid whose water is so near to the library's is as dense as it says. A rule of the house. */
const usualWaterWithin = 0.05

type Row = readonly [words: RegExp, densityGMl: number, says: 'table' | 'estimate']

/**
 * What usual colourants displace when they are stirred in, g/ml: of the stuff itself, not of its heap. 'table' is CRC
 * Handbook of Chemistry and Physics (oxides) or usual mineralogical tables (mica); the rest are estimates. The first row
 * whose words are in the name holds; what is stirred in as an additive stands in the library.
 */
const usual: readonly Row[] = [
  [/\b(bicarbonate|baking soda)\b/, 2.2, 'table'],
  [/\bmica\b/, 2.8, 'table'],
  [/\btitanium\b/, 4.23, 'table'],
  [/\bzinc\b/, 5.6, 'table'],
  [/\b(iron|ochre|umber|sienna) ?oxide\b/, 5.2, 'table'],
  [/\b(ochre|umber|sienna)\b/, 3, 'estimate'],
  [/\bchrom(e|ium)\b/, 5.2, 'table'],
  [/\boxides?\b/, 5.2, 'estimate'],
  [/\bultramarine\b/, 2.35, 'estimate'],
  [/\bcarbon\b/, 2, 'estimate'],
  [/\b(spirulina|indigo|turmeric|madder|paprika|alkanet|powder)\b/, 1.4, 'estimate'],
]

/** What nothing is known of: a mineral powder as colourant, else ground plants. Estimates. */
const unknownGMl = { colourant: 2.6, additive: 1.4 } as const
/** Density reckoned for a scent that has none of its own, g/ml. A convention of the house, and so an estimate. */
const usualScentDensityGMl = 0.95

function usualOf(name: string): Density | undefined {
  const row = usual.find(([words]) => words.test(plainName(name)))
  return row && { densityGMl: row[1], isEstimate: row[2] === 'estimate' }
}

function ofLibrary(kind: LibraryEntry['kind'], name: string): Density | undefined {
  const entry = entryOf(kind, name)
  return entry && { densityGMl: entry.densityGMl, isEstimate: entry.says === 'estimate' }
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
  const usually =
    kind === 'colourant'
      ? (usualOf(name) ?? ofLibrary('additive', name))
      : (ofLibrary('additive', name) ?? usualOf(name))
  return known(kind, name, knownDensities) ?? usually ?? { densityGMl: unknownGMl[kind], isEstimate: true }
}

/**
 * Density of a liquid other than water, g/ml: as the workshop has it, else as the library says where its water is as
 * usual, else of its water and what it holds besides.
 *
 * @param waterShare mass fraction of water in it, 0 to 1
 */
export function densityOfLiquid(
  name: string,
  waterShare: number,
  knownDensities: readonly KnownDensity[] = [],
): Density {
  const mlPerG = waterShare / waterDensityGMl + (1 - waterShare) / dissolvedDensityGMl
  const entry = entryOf('liquid', name)
  const isAsUsual =
    entry && (entry.kind === 'additive' || Math.abs(entry.makeup.waterShare - waterShare) <= usualWaterWithin)
  return (
    known('liquid', name, knownDensities) ??
    (isAsUsual ? ofLibrary('liquid', name) : undefined) ?? { densityGMl: 1 / mlPerG, isEstimate: true }
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
