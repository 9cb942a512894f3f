import { kohMolarMass, naohMolarMass } from '../fats'
import { assertWithin } from '../units'
import { massRange, naohPurityRange, saponificationValueRange, superfatRange } from './ranges'

/** A mass of fat with the saponification value it is reckoned with. */
export interface FatPortion {
  readonly massG: number
  /** mg KOH per g, within {@link saponificationValueRange}. */
  readonly saponificationValue: number
}

export interface NaohForFatsOptions {
  /** Fraction of the fats left unsaponified, within {@link superfatRange}. Required: no default is safe. */
  readonly superfat: number
  /** Mass fraction of NaOH in the flakes as weighed, within {@link naohPurityRange}. @default 1 */
  readonly naohPurity?: number
}

/**
 * Grams of sodium hydroxide, as weighed, that leave `superfat` of the fats unsaponified.
 *
 * Saponification values are in mg of KOH per g of fat (ISO 3657). NaOH replaces KOH
 * mole for mole, hence the ratio of molar masses.
 *
 * @throws {RangeError} if a mass, a saponification value or an option is out of range
 * @example naohForFats([{ massG: 1000, saponificationValue: 190 }], { superfat: 0.05 }) // 128.68
 */
export function naohForFats(fats: readonly FatPortion[], options: NaohForFatsOptions): number {
  const { superfat, naohPurity = 1 } = options
  assertWithin('superfat', superfat, superfatRange)
  assertWithin('naohPurity', naohPurity, naohPurityRange)

  let kohG = 0
  for (const { massG, saponificationValue } of fats) {
    assertWithin('massG', massG, massRange)
    assertWithin('saponificationValue', saponificationValue, saponificationValueRange)
    kohG += (massG * saponificationValue) / 1000
  }
  return (kohG * (naohMolarMass / kohMolarMass) * (1 - superfat)) / naohPurity
}
