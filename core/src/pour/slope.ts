import type { MouldSection } from './section'

const radians = (angleDeg: number): number => (angleDeg * Math.PI) / 180
const degrees = (angle: number): number => (angle * 180) / Math.PI

/** Heights at the two walls of a layer poured into an empty, propped mould, mm. */
export interface WallHeights {
  readonly leftMm: number
  readonly rightMm: number
  /** How much of the base it covers, from the wall where it stands higher; all of it but where it is a wedge. */
  readonly coversMm?: number
}

/** What it takes to pour a layer between two wall heights. */
export interface SlopedLayer {
  /** Area of the section under it; times the length of the mould its volume. */
  readonly areaMm2: number
  /** How far the mould is tilted; above 0 the batter stands higher at the right. */
  readonly angleDeg: number
  /** Height of what is put under the edge of the mould that is raised. */
  readonly propMm: number
}

type Across = Pick<MouldSection, 'widthMm' | 'outerBaseMm'>

/** Between the edges that a mould stands on, its walls among them, mm. */
const standsOnMm = ({ widthMm, outerBaseMm = widthMm }: Across): number => outerBaseMm

/**
 * What is put under one outer edge of a mould so that it leans by an angle: the sine of the angle times the width that
 * it stands on, mm.
 */
export function propHeightMm(angleDeg: number, section: Across): number {
  return standsOnMm(section) * Math.sin(radians(Math.abs(angleDeg)))
}

/**
 * The angle by which a mould leans when something is put under one of its outer edges, °.
 *
 * @param propMm height of what is put under it, from 0
 * @throws {RangeError} if it is below 0, or as high as the mould is wide
 */
export function angleOfProp(propMm: number, section: Across): number {
  const baseMm = standsOnMm(section)
  if (!(propMm >= 0 && propMm < baseMm)) throw new RangeError(`Expected a prop from 0 to ${baseMm} mm, got ${propMm}`)
  return degrees(Math.asin(propMm / baseMm))
}

/**
 * Volume, angle and prop of a sloped layer from the heights wished for at the walls: a trapezium of area width · mean
 * height, or, where it stands at one wall alone and covers less than the base, a wedge.
 *
 * @throws {RangeError} if a height is below 0 or not a number, the width is not above 0, or what it covers is not above 0
 * and at most the width
 * @example slopedLayerOf({ leftMm: 10, rightMm: 30 }, { widthMm: 80 }) // 1600 mm², 14.04°, prop 19.4 mm
 */
export function slopedLayerOf({ leftMm, rightMm, coversMm }: WallHeights, section: Across): SlopedLayer {
  const { widthMm } = section
  if (!(leftMm >= 0) || !(rightMm >= 0))
    throw new RangeError(`Expected heights of 0 or more, got ${leftMm}, ${rightMm}`)
  if (!(widthMm > 0)) throw new RangeError(`Expected a width above 0, got ${widthMm}`)
  // What stands at both walls covers all of the base.
  const baseMm = Math.min(leftMm, rightMm) > 0 ? widthMm : (coversMm ?? widthMm)
  if (!(baseMm > 0 && baseMm <= widthMm))
    throw new RangeError(`Expected it to cover more than 0 and up to ${widthMm} mm of the base, got ${baseMm}`)
  const angleDeg = degrees(Math.atan((rightMm - leftMm) / baseMm))
  return { areaMm2: (baseMm * (leftMm + rightMm)) / 2, angleDeg, propMm: propHeightMm(angleDeg, section) }
}

/**
 * Heights at the walls of so much batter in an empty mould propped at an angle; where it does not reach the upper wall,
 * that is 0 and the rest a wedge.
 *
 * @throws {RangeError} if the area is below 0, or the width is not above 0
 */
export function wallHeightsOf(
  { areaMm2, angleDeg }: Pick<SlopedLayer, 'areaMm2' | 'angleDeg'>,
  { widthMm }: Pick<MouldSection, 'widthMm'>,
): Required<WallHeights> {
  if (!(areaMm2 >= 0)) throw new RangeError(`Expected an area of 0 or more, got ${areaMm2}`)
  if (!(widthMm > 0)) throw new RangeError(`Expected a width above 0, got ${widthMm}`)
  const rise = Math.tan(radians(Math.abs(angleDeg)))
  const halfMm = (rise * widthMm) / 2
  const meanMm = areaMm2 / widthMm
  // A wedge of base b has the area ½ · rise · b².
  const isWedge = meanMm < halfMm
  const lowMm = isWedge ? 0 : meanMm - halfMm
  const highMm = isWedge ? Math.sqrt(2 * areaMm2 * rise) : meanMm + halfMm
  const coversMm = isWedge ? highMm / rise : widthMm
  return angleDeg >= 0 ? { leftMm: lowMm, rightMm: highMm, coversMm } : { leftMm: highMm, rightMm: lowMm, coversMm }
}

/**
 * Area of the section that batter takes in a propped mould when it stands at the lower brim, mm²: more runs over. Times
 * the mould's length it is the volume that it holds.
 *
 * @param angleDeg by which it leans to either side, below 90 either way
 */
export function heldWhenProppedMm2(
  angleDeg: number,
  { widthMm, heightMm }: Pick<MouldSection, 'widthMm' | 'heightMm'>,
): number {
  const rise = Math.tan(radians(Math.abs(angleDeg)))
  const dropMm = rise * widthMm
  return dropMm <= heightMm ? widthMm * (heightMm - dropMm / 2) : heightMm ** 2 / (2 * rise)
}
