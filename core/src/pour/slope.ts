import type { MouldSection } from './section'

const radians = (angleDeg: number): number => (angleDeg * Math.PI) / 180

/** Heights at the two walls of a layer poured into an empty, propped mould, mm. */
export interface WallHeights {
  readonly leftMm: number
  readonly rightMm: number
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

/** What is put under one edge of a mould so that it leans by an angle, mm. */
export function propHeightMm(angleDeg: number, { widthMm }: Pick<MouldSection, 'widthMm'>): number {
  return widthMm * Math.sin(radians(Math.abs(angleDeg)))
}

/**
 * Volume, angle and prop of a sloped layer from the heights wished for at the walls. Trapezium: area = width · mean height.
 *
 * @throws {RangeError} if a height is below 0 or not a number, or the width is not above 0
 * @example slopedLayerOf({ leftMm: 10, rightMm: 30 }, { widthMm: 80 }) // 1600 mm², 14.04°, prop 19.4 mm
 */
export function slopedLayerOf({ leftMm, rightMm }: WallHeights, section: Pick<MouldSection, 'widthMm'>): SlopedLayer {
  if (!(leftMm >= 0) || !(rightMm >= 0))
    throw new RangeError(`Expected heights of 0 or more, got ${leftMm}, ${rightMm}`)
  if (!(section.widthMm > 0)) throw new RangeError(`Expected a width above 0, got ${section.widthMm}`)
  const angleDeg = (Math.atan((rightMm - leftMm) / section.widthMm) * 180) / Math.PI
  return {
    areaMm2: (section.widthMm * (leftMm + rightMm)) / 2,
    angleDeg,
    propMm: propHeightMm(angleDeg, section),
  }
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
): WallHeights {
  if (!(areaMm2 >= 0)) throw new RangeError(`Expected an area of 0 or more, got ${areaMm2}`)
  if (!(widthMm > 0)) throw new RangeError(`Expected a width above 0, got ${widthMm}`)
  const rise = Math.tan(radians(Math.abs(angleDeg)))
  const halfMm = (rise * widthMm) / 2
  const meanMm = areaMm2 / widthMm
  // A wedge of base b has the area ½ · rise · b².
  const [lowMm, highMm] = meanMm >= halfMm ? [meanMm - halfMm, meanMm + halfMm] : [0, Math.sqrt(2 * areaMm2 * rise)]
  return angleDeg >= 0 ? { leftMm: lowMm, rightMm: highMm } : { leftMm: highMm, rightMm: lowMm }
}
