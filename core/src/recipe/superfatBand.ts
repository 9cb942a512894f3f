import type { Fat } from '../fats'
import { assertWithin } from '../units'
import { naohForPortions } from './naohForPortions'
import { massRange } from './ranges'

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
  return naohForPortions(fats.map(({ fat, massG }) => ({ massG, saponificationValue: fat.saponificationValue[end] })))
}

/**
 * The superfat that an alkali leaves in these fats: 1 − pure NaOH / demand.
 *
 * @param pureNaohG the alkali as pure NaOH that it stands for: see `asPureNaohG`
 * @throws {RangeError} if a mass is out of range, or the fats weigh nothing
 */
export function superfatBand(fats: readonly WeighedFat[], pureNaohG: number): SuperfatBand {
  assertWithin('pureNaohG', pureNaohG, massRange)
  const left = (end: SpanEnd): number => {
    const demandG = naohDemand(fats, end)
    if (!(demandG > 0)) throw new RangeError('Expected fats that weigh more than 0 g')
    return 1 - pureNaohG / demandG
  }
  return { worst: left('min'), likely: left('typical'), best: left('max') }
}

/**
 * As {@link superfatBand}, also of a batch that is too small to weigh: with nothing in it there is no superfat but the
 * recipe's own.
 *
 * @param pureNaohG the alkali as pure NaOH that it stands for: see `asPureNaohG`
 * @throws {RangeError} if a mass is out of range
 */
export function superfatLeft(
  fats: readonly WeighedFat[],
  pureNaohG: number,
  { superfat }: { readonly superfat: number },
): SuperfatBand {
  if (naohDemand(fats, 'typical') > 0) return superfatBand(fats, pureNaohG)
  return { worst: superfat, likely: superfat, best: superfat }
}
