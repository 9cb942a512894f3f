import type { Outline } from './moves'
import { cornersOf } from './solids'

/** Rings around a column, in a mould seen from above. */
export interface RingColumn {
  readonly xMm: number
  readonly zMm: number
  readonly sizeMm: number
  readonly outline: Outline
}

const cellsAcross = 160
const bins = 4096

/** How far a point is from the middle of an outline, 1 on its edge. */
function gaugeOf(outline: Outline, sizeMm: number): (x: number, z: number) => number {
  if (outline === 'round') return (x, z) => (2 * Math.hypot(x, z)) / sizeMm
  const corners = cornersOf(outline, sizeMm)
  return (x, z) => {
    const angle = Math.atan2(z, x)
    const [ux, uz] = [Math.cos(angle), Math.sin(angle)]
    for (let index = 0; index < corners.length; index++) {
      const [ax, az] = corners[index]!
      const [bx, bz] = corners[(index + 1) % corners.length]!
      const cross = ux * (bz - az) - uz * (bx - ax)
      if (Math.abs(cross) < 1e-12) continue
      const along = (ax * (bz - az) - az * (bx - ax)) / cross
      const share = (ax * uz - az * ux) / cross
      if (along > 0 && share >= -1e-9 && share <= 1 + 1e-9) return Math.hypot(x, z) / along
    }
    return 0
  }
}

/**
 * The share of a pour that lies nearer to a column than a point, 0 in its middle and 1 at the walls. Rings near
 * the column have its outline, rings near the walls that of the mould: each is a line on which g/(g + w) is the same, g
 * the distance from the column and w that from the walls. What is poured on the column pushes outward all that was
 * poured before, so that the batter of a pour lies between two such lines, and the shares between them keep its volume.
 *
 * @param depthAt how deep the pour lies at so many mm from the left wall, in any unit
 */
export function ringShare(
  { xMm, zMm, sizeMm, outline }: RingColumn,
  { widthMm, lengthMm }: { readonly widthMm: number; readonly lengthMm: number },
  depthAt: (x: number) => number = () => 1,
): (x: number, z: number) => number {
  const gauge = gaugeOf(outline, sizeMm)
  const near = (x: number, z: number): number => {
    const from = (gauge(x - xMm, z - zMm) * sizeMm) / 2
    const toWall =
      1 /
      (1 / Math.max(1e-6, x) +
        1 / Math.max(1e-6, widthMm - x) +
        1 / Math.max(1e-6, z) +
        1 / Math.max(1e-6, lengthMm - z))
    return from / (from + 2 * toWall)
  }
  const cellMm = widthMm / cellsAcross
  const rows = Math.max(1, Math.round(lengthMm / cellMm))
  const depths = Float64Array.from({ length: cellsAcross }, (_, column) =>
    depthAt(((column + 0.5) / cellsAcross) * widthMm),
  )
  const counts = new Float64Array(bins + 1)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < cellsAcross; column++) {
      const at = near(((column + 0.5) / cellsAcross) * widthMm, ((row + 0.5) / rows) * lengthMm)
      counts[Math.min(bins, Math.floor(at * bins) + 1)]! += depths[column]!
    }
  const whole = rows * depths.reduce((sum, depth) => sum + depth, 0)
  for (let bin = 1; bin <= bins; bin++) counts[bin]! += counts[bin - 1]!
  return (x, z) => {
    const at = Math.min(bins - 1e-9, Math.max(0, near(x, z) * bins))
    const low = Math.floor(at)
    return (counts[low]! + (counts[low + 1]! - counts[low]!) * (at - low)) / whole
  }
}
