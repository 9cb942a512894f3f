import type { Mould } from '../mould'
import { blockOf, outerBaseMm, shapeOf } from '../mould'

/** The inside of a mould: across its length, and how long it is, mm. */
export interface MouldSection {
  readonly widthMm: number
  /** Height up to the brim. */
  readonly heightMm: number
  /** Height up to which all the batter fills it. */
  readonly fillMm: number
  readonly lengthMm: number
  /** What it stands on across, its walls among it, mm. @default widthMm, while its walls are not known */
  readonly outerBaseMm?: number
}

/** What is shown of a soap whose mould is not known: about that of a usual loaf. */
export const usualSection: MouldSection = { widthMm: 80, heightMm: 70, fillMm: 60, lengthMm: 250 }

/**
 * The inside of a lined mould. Of a taper the width at half its fill; of a cylinder the box around it; of a tray of
 * cavities {@link usualSection}.
 *
 * @throws {RangeError} if `checkMould` refuses the mould
 */
export function sectionOf(mould: Mould): MouldSection {
  const shape = shapeOf(mould)
  if (shape === 'cavities') return usualSection
  const { widthMm, lengthMm } = blockOf(mould)
  if (shape === 'cylinder') return { widthMm, heightMm: widthMm, fillMm: widthMm, lengthMm }
  const heightMm = mould.heightMm - mould.linerMm
  return { widthMm, heightMm, fillMm: mould.fillHeightMm, lengthMm, outerBaseMm: outerBaseMm(mould) }
}

/** Area of the section that all of each pot takes in a mould filled to its fill height, mm². @param potsG mass of each, g */
export function potAreasMm2(
  potsG: readonly number[],
  { widthMm, fillMm }: Pick<MouldSection, 'widthMm' | 'fillMm'>,
): readonly number[] {
  const madeG = potsG.reduce((sum, massG) => sum + massG, 0)
  return potsG.map((massG) => (madeG > 0 ? (widthMm * fillMm * massG) / madeG : 0))
}
