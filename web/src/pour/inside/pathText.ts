import type { SectionPoint } from '@vendange/core/pour'
import { millimetresPerInch, roundTo, toUnit } from '@vendange/core/units'

/** A path as a maker can type it: “18 56, 18 10”, from the left and from the base, in the workshop's unit of length. */
export function pathText(path: readonly SectionPoint[], unit: 'mm' | 'in'): string {
  const told = (mm: number): string => String(roundTo(toUnit('length', mm, unit), unit === 'mm' ? 1 : 3))
  return path.map(({ xMm, yMm }) => `${told(xMm)} ${told(yMm)}`).join(', ')
}

/** The path that was typed; undefined where it cannot be read. */
export function pathOfText(text: string, unit: 'mm' | 'in'): SectionPoint[] | undefined {
  const mmOf = (value: number): number => (unit === 'mm' ? value : value * millimetresPerInch)
  const points = text
    .split(/[,;\n]/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .map((part) => part.split(/\s+/).map(Number))
  if (points.some((point) => point.length !== 2 || point.some((value) => !Number.isFinite(value)))) return undefined
  return points.map(([x = 0, y = 0]) => ({ xMm: mmOf(x), yMm: mmOf(y) }))
}
