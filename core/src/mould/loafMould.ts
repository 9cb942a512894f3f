import type { Finding } from '../findings'
import type { Range } from '../units'
import { formatQuantity, isWithin, rangeMessage } from '../units'

/** Inner length, width and height of a loaf mould, mm. */
export const mouldSideRange: Range = { min: 20, max: 1500 }
/** Liner thickness, mm. */
export const linerRange: Range = { min: 0, max: 20 }
/** Thickness of a bar, mm. */
export const barThicknessRange: Range = { min: 5, max: 150 }
/** What is trimmed from each end of a loaf, the trim's own cut included, mm. */
export const endTrimRange: Range = { min: 0, max: 50 }
/** What one cut between two bars takes away, mm; a wire takes almost nothing. */
export const kerfRange: Range = { min: 0, max: 5 }

/** A straight loaf mould: inner sizes, and how it is lined and filled. All in mm. */
export interface LoafMould {
  readonly lengthMm: number
  readonly widthMm: number
  readonly heightMm: number
  /** Thickness of the liner: taken from each side and from the base. */
  readonly linerMm: number
  /** Depth of batter above the liner. */
  readonly fillHeightMm: number
}

/** The block of soap that comes out, mm. */
export interface Block {
  readonly lengthMm: number
  readonly widthMm: number
  readonly heightMm: number
}

/** What is wrong with the sizes of a mould. Never throws on what a maker can type. */
export function checkLoafMould(mould: LoafMould): readonly Finding[] {
  const findings: Finding[] = []
  const refuse = (code: string, field: keyof LoafMould, message: string): void => {
    findings.push({ severity: 'refuse', code, field, message })
  }
  for (const field of ['lengthMm', 'widthMm', 'heightMm'] as const) {
    if (!isWithin(mould[field], mouldSideRange)) refuse('mould_side', field, rangeMessage('length', mouldSideRange))
  }
  if (!isWithin(mould.linerMm, linerRange)) refuse('liner', 'linerMm', rangeMessage('length', linerRange))
  if (!(mould.fillHeightMm > 0)) refuse('fill', 'fillHeightMm', 'The fill height is more than 0 mm.')
  if (findings.length > 0) return findings

  if (2 * mould.linerMm >= Math.min(mould.lengthMm, mould.widthMm) || mould.linerMm >= mould.heightMm) {
    refuse(
      'liner_fills_mould',
      'linerMm',
      'The liner leaves no room for soap: it takes its thickness from each side and from the base.',
    )
    return findings
  }
  const brimMm = mould.heightMm - mould.linerMm
  if (mould.fillHeightMm > brimMm) {
    refuse(
      'fill_above_brim',
      'fillHeightMm',
      `The batter would stand above the brim: above the liner there is room for ${formatQuantity('length', brimMm)}.`,
    )
  }
  return findings
}

/** The block of soap in a filled mould. @throws {RangeError} if `checkLoafMould` refuses the mould */
export function blockOf(mould: LoafMould): Block {
  const [finding] = checkLoafMould(mould)
  if (finding) throw new RangeError(`Expected a mould that can be filled, got: ${finding.message}`)
  return {
    lengthMm: mould.lengthMm - 2 * mould.linerMm,
    widthMm: mould.widthMm - 2 * mould.linerMm,
    heightMm: mould.fillHeightMm,
  }
}

/**
 * Batter that fills the mould to its fill height, ml.
 *
 * @throws {RangeError} if `checkLoafMould` refuses the mould
 * @example fillVolumeMl({ lengthMm: 250, widthMm: 80, heightMm: 70, linerMm: 0, fillHeightMm: 60 }) // 1200
 */
export function fillVolumeMl(mould: LoafMould): number {
  const { lengthMm, widthMm, heightMm } = blockOf(mould)
  return (lengthMm * widthMm * heightMm) / 1000
}
