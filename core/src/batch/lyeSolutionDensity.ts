import type { Range } from '../units'
import { assertWithin } from '../units'

/** Concentrations the table covers, as mass fraction NaOH; beyond 50 % NaOH nears its limit of solubility. */
export const tabledConcentrationRange: Range = { min: 0, max: 0.5 }

// [mass % NaOH, g/ml] at 20 °C: Perry's Chemical Engineers' Handbook; CRC Handbook of Chemistry and Physics.
const table: readonly (readonly [number, number])[] = [
  [0, 0.9982],
  [1, 1.0095],
  [2, 1.0207],
  [4, 1.0428],
  [6, 1.0648],
  [8, 1.0869],
  [10, 1.1089],
  [12, 1.1309],
  [14, 1.153],
  [16, 1.1751],
  [18, 1.1972],
  [20, 1.2191],
  [22, 1.2411],
  [24, 1.2629],
  [26, 1.2848],
  [28, 1.3064],
  [30, 1.3279],
  [32, 1.349],
  [34, 1.3696],
  [36, 1.39],
  [38, 1.4101],
  [40, 1.43],
  [42, 1.4494],
  [44, 1.4685],
  [48, 1.5065],
  [50, 1.5253],
]

/**
 * Density in g/ml at 20 °C of sodium hydroxide in water, by linear interpolation (good to 0.0001 g/ml).
 *
 * @param concentration mass fraction of NaOH in the solution, within {@link tabledConcentrationRange}
 * @throws {RangeError} outside the table
 */
export function lyeSolutionDensity(concentration: number): number {
  assertWithin('concentration', concentration, tabledConcentrationRange)
  const percent = concentration * 100
  const upper = table.findIndex(([at]) => at >= percent)
  const [x1, y1] = table[upper] ?? [50, 1.5253]
  const [x0, y0] = table[upper - 1] ?? [x1, y1]
  return x1 === x0 ? y1 : y0 + ((percent - x0) / (x1 - x0)) * (y1 - y0)
}
