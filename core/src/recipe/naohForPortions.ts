import { kohMolarMass, naohMolarMass } from '../fats'
import { assertWithin } from '../units'
import { massRange, saponificationValueRange } from './ranges'

/** A mass of fat with the saponification value it is reckoned with. */
export interface FatPortion {
  readonly massG: number
  /** mg KOH per g, within {@link saponificationValueRange}. */
  readonly saponificationValue: number
}

/**
 * Pure sodium hydroxide that portions of fat take with nothing left over, g. What a recipe is made with, its superfat,
 * purities and other alkali counted, is `lyeFor`: start there.
 *
 * Saponification values are in mg of KOH per g of fat (ISO 3657). NaOH replaces KOH mole for mole, hence the ratio of
 * molar masses.
 *
 * @throws {RangeError} if a mass or a saponification value is out of range
 * @example naohForPortions([{ massG: 1000, saponificationValue: 190 }]) // 135.45
 */
export function naohForPortions(portions: readonly FatPortion[]): number {
  let kohG = 0
  for (const { massG, saponificationValue } of portions) {
    assertWithin('massG', massG, massRange)
    assertWithin('saponificationValue', saponificationValue, saponificationValueRange)
    kohG += (massG * saponificationValue) / 1000
  }
  return kohG * (naohMolarMass / kohMolarMass)
}
