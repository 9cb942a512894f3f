/**
 * A number to so many digits after the point, as its decimal figure reads: what sums of decimal fractions bring in is
 * gone. Never −0.
 *
 * @param digits whole number from 0 to 100
 * @throws {RangeError} if `digits` is out of range
 * @example roundTo(0.1 + 0.2, 6) // 0.3
 */
export function roundTo(value: number, digits: number): number {
  const rounded = Number(value.toFixed(digits))
  return rounded === 0 ? 0 : rounded
}

/** A mass without the dust that sums of decimal steps bring in, g: far below what any scale shows. */
export const withoutDust = (massG: number): number => roundTo(massG, 6)

/** A mass as the fine scale shows it on which colourants, scents and additives are weighed: to a tenth of a gram, g. */
export const toFineScale = (massG: number): number => roundTo(massG, 1)
