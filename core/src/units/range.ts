/** A closed range of allowed values. */
export interface Range {
  readonly min: number
  readonly max: number
}

/** Whether `value` is a number inside the closed range; NaN is not. */
export function isWithin(value: number, range: Range): boolean {
  return value >= range.min && value <= range.max
}

/** @throws {RangeError} if `value` is NaN or outside the closed range */
export function assertWithin(name: string, value: number, range: Range): void {
  if (!isWithin(value, range)) throw new RangeError(`Expected ${name} from ${range.min} to ${range.max}, got ${value}`)
}
