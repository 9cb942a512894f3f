import type { Finding } from '../findings'
import { formatQuantity } from '../units'

/** A scent in a design. */
export interface ScentUse {
  readonly name: string
  /** Mass of scent over mass of fats. */
  readonly rate: number
  /** Highest share of the finished bar that the supplier's certificate allows; null when none is at hand. */
  readonly supplierLimit: number | null
}

/** Density reckoned for a scent that has none of its own, g/ml. A convention of the house. */
export const usualScentDensityGMl = 0.95

/**
 * Holds the scent's share of the cured bar against the supplier's limit. The bar is taken as lighter by `cureLoss`, all
 * of it water, which makes the share the highest it can become.
 *
 * @param batterG mass of the whole batter, scent included
 */
export function checkScent(scent: ScentUse, scentG: number, batterG: number, cureLoss: number): readonly Finding[] {
  if (scent.rate === 0 || scentG === 0) return []
  const shareOfBar = scentG / (batterG * (1 - cureLoss))
  const percent = (share: number): string => formatQuantity('share', share, { digits: 2 })
  if (scent.supplierLimit === null) {
    return [
      {
        severity: 'warn',
        code: 'scent_without_limit',
        field: 'scent.supplierLimit',
        message: `${scent.name} will be ${percent(shareOfBar)} of the cured bar. Enter the limit from its certificate.`,
      },
    ]
  }
  if (shareOfBar > scent.supplierLimit) {
    const allowedRate = (scent.rate * scent.supplierLimit) / shareOfBar
    return [
      {
        severity: 'refuse',
        code: 'scent_above_limit',
        field: 'scent.rate',
        message: `${scent.name} would be ${percent(shareOfBar)} of the cured bar; its certificate allows ${percent(scent.supplierLimit)}. At most ${percent(Math.floor(allowedRate * 10_000) / 10_000)} of the fats keeps to it.`,
      },
    ]
  }
  return []
}
