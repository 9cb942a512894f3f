import type { Fat } from '../fats'
import { assertWithin } from '../units'
import { naohForFats } from './naohForFats'
import { massRange, naohPurityRange } from './ranges'

/** A weighed fat of the table. */
export interface WeighedFat {
  readonly fat: Fat
  readonly massG: number
}

/** Superfat that a weighed lye really leaves, as fractions; negative means lye is left over. */
export interface SuperfatBand {
  /** Every saponification value at the low end of its natural span. */
  readonly worst: number
  readonly likely: number
  /** Every saponification value at the high end of its natural span. */
  readonly best: number
}

type SpanEnd = 'min' | 'typical' | 'max'

/** g of pure NaOH that the fats take with nothing left over, at one end of the span of saponification values. */
export function naohDemand(fats: readonly WeighedFat[], end: SpanEnd): number {
  return naohForFats(
    fats.map(({ fat, massG }) => ({ massG, saponificationValue: fat.saponificationValue[end] })),
    { superfat: 0 },
  )
}

/**
 * The superfat that `naohG` of flakes leaves in these fats: 1 − NaOH · purity / demand. Other alkali counts by the pure
 * NaOH that it stands for.
 *
 * @throws {RangeError} if a mass or the purity is out of range, or the fats weigh nothing
 */
export function superfatBand(fats: readonly WeighedFat[], naohG: number, naohPurity: number): SuperfatBand {
  assertWithin('naohG', naohG, massRange)
  assertWithin('naohPurity', naohPurity, naohPurityRange)
  const left = (end: SpanEnd): number => {
    const demandG = naohDemand(fats, end)
    if (!(demandG > 0)) throw new RangeError('Expected fats that weigh more than 0 g')
    return 1 - (naohG * naohPurity) / demandG
  }
  return { worst: left('min'), likely: left('typical'), best: left('max') }
}
