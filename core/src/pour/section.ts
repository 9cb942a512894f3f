import type { Mould } from '../mould'
import type { MouldSection } from './moves'

/** The inside of a lined mould across its length. Of a taper the width at its base. */
export function sectionOf({ widthMm, heightMm, linerMm, fillHeightMm }: Mould): MouldSection {
  return { widthMm: widthMm - 2 * linerMm, heightMm: heightMm - linerMm, fillMm: fillHeightMm }
}

/** Area of the section that all of each pot takes in a mould filled to its fill height, mm². @param potsG mass of each, g */
export function potAreasMm2(potsG: readonly number[], { widthMm, fillMm }: MouldSection): readonly number[] {
  const madeG = potsG.reduce((sum, massG) => sum + massG, 0)
  return potsG.map((massG) => (madeG > 0 ? (widthMm * fillMm * massG) / madeG : 0))
}
