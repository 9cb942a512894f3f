import { naohMolarMass } from '../fats'
import { plainName } from './densities'

/**
 * Acids that a maker may add, each with what a mole weighs, g, and how many moles of hydroxide it takes up. Molar masses
 * from the standard atomic weights (IUPAC): C6H8O7 without water, C3H6O3, C2H4O2, C6H8O6.
 */
const acids: readonly (readonly [RegExp, number, number])[] = [
  [/\bcitric\b/, 192.124, 3],
  [/\blactic acid\b/, 90.078, 1],
  [/\bacetic\b/, 60.052, 1],
  [/\bascorbic\b/, 176.124, 1],
]

/** Sodium hydroxide that a gram of what carries this name takes up before any fat does, g; 0 for what is no known acid. */
export function naohBoundBy(name: string): number {
  const [, molarMassG = 1, moles = 0] = acids.find(([pattern]) => pattern.test(plainName(name))) ?? []
  return (moles * naohMolarMass) / molarMassG
}
