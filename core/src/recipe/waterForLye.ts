import { assertWithin } from '../units'
import { lyeConcentrationRange, massRange } from './ranges'

/**
 * g of water that bring `naohG` of flakes to a lye of `lyeConcentration`, both as weighed.
 *
 * @throws {RangeError} if the mass or the concentration is out of range
 * @example waterForLye(100, 0.4) // 150
 */
export function waterForLye(naohG: number, lyeConcentration: number): number {
  assertWithin('naohG', naohG, massRange)
  assertWithin('lyeConcentration', lyeConcentration, lyeConcentrationRange)
  return (naohG * (1 - lyeConcentration)) / lyeConcentration
}
