import type { Outline } from './moves'
import type { Surface } from './surface'
import { columns } from './surface'

/** Corners of an outline of the given size around 0, mm; a round one in many. Sizes are across: diameter or side. */
export function cornersOf(outline: Outline, sizeMm: number, turnDeg = 0): Corners {
  const turn = (turnDeg * Math.PI) / 180
  const at = (radius: number, angle: number): readonly [number, number] => [
    radius * Math.cos(angle + turn),
    radius * Math.sin(angle + turn),
  ]
  const ring = (count: number, first: number, radius: (index: number) => number) =>
    Array.from({ length: count }, (_, index) => at(radius(index), first + (index * 2 * Math.PI) / count))
  switch (outline) {
    case 'square':
      return ring(4, Math.PI / 4, () => sizeMm / Math.SQRT2)
    case 'triangle':
      return ring(3, Math.PI / 2, () => sizeMm / Math.sqrt(3))
    case 'star':
      return ring(10, Math.PI / 2, (index) => (index % 2 === 0 ? sizeMm / 2 : sizeMm / 5))
    case 'shaving': {
      // A sliver, four times as long as it is thick.
      const flat = Math.atan(1 / 4)
      return [flat, Math.PI - flat, Math.PI + flat, -flat].map((angle) => at((sizeMm / 2) * Math.sqrt(17 / 16), angle))
    }
    case 'round':
      return ring(64, 0, () => sizeMm / 2)
  }
}

/** A body that stands in the batter: between which heights it lies in each column, mm; none where they are equal. */
export interface Solid {
  readonly material: number
  readonly low: Surface
  readonly high: Surface
  readonly fromMm: number
  readonly toMm: number
  readonly corners: Corners
}
type Corners = readonly (readonly [number, number])[]

/** The body with this convex outline; what would stand below the base or beyond a wall is cut off. */
export function solidOf(corners: Corners, material: number, widthMm: number): Solid {
  const [low, high] = [new Float64Array(columns), new Float64Array(columns)]
  const sides = corners.map((corner, index) => [corner, corners[(index + 1) % corners.length]!] as const)
  for (let column = 0; column < columns; column++) {
    const x = ((column + 0.5) / columns) * widthMm
    const crossings = sides.flatMap(([[ax, ay], [bx, by]]) =>
      ax > x !== bx > x ? [ay + ((x - ax) / (bx - ax)) * (by - ay)] : [],
    )
    if (crossings.length < 2) continue
    low[column] = Math.max(0, Math.min(...crossings))
    high[column] = Math.max(0, ...crossings)
  }
  const xs = corners.map(([x]) => x)
  return { material, low, high, fromMm: Math.min(...xs), toMm: Math.max(...xs), corners }
}

const columnOf = (x: number, widthMm: number): number =>
  Math.min(columns - 1, Math.max(0, Math.floor((x / widthMm) * columns)))

/** The body that a point is in, if it is in any. */
export function solidAt(solids: readonly Solid[], x: number, y: number, widthMm: number): Solid | undefined {
  const column = columnOf(x, widthMm)
  for (const solid of solids)
    if (x >= solid.fromMm && x <= solid.toMm && y > solid.low[column]! && y < solid.high[column]!) return solid
  return undefined
}

/** How much of a column below a height is batter, not body, mm. */
export function freeBelow(solids: readonly Solid[], column: number, y: number): number {
  let free = y
  for (const { low, high } of solids) {
    const [from, to] = [low[column]!, high[column]!]
    if (to > from && y > from) free -= Math.min(y, to) - from
  }
  return free
}

/** The height below which so much of a column is batter, mm: `freeBelow` turned round. */
export function heightOfFree(solids: readonly Solid[], column: number, free: number): number {
  const inColumn = solids.filter(({ low, high }) => high[column]! > low[column]!)
  if (inColumn.length === 0) return free
  inColumn.sort((a, b) => a.low[column]! - b.low[column]!)
  let y = free
  for (const { low, high } of inColumn) if (y > low[column]!) y += high[column]! - low[column]!
  return y
}

/** Height of the batter alone under a point, what stands in it taken out, mm. */
export const freeAt = (solids: readonly Solid[], x: number, y: number, widthMm: number): number =>
  freeBelow(solids, columnOf(x, widthMm), y)
/** Where a point stands in the loaf that has so much batter under it, mm: `freeAt` turned round. */
export const heightOfFreeAt = (solids: readonly Solid[], x: number, free: number, widthMm: number): number =>
  heightOfFree(solids, columnOf(x, widthMm), free)

/** A wall around what stands in the batter: 0 on it and within, 1 well away, with its slope across and upward. */
export interface SolidWall {
  wall: number
  slopeX: number
  slopeY: number
}

/** Writes the wall d²/(d² + L²) of all bodies at a point into `to`, d the distance from each. */
export function wallAround(solids: readonly Solid[], x: number, y: number, reach2: number, to: SolidWall): void {
  to.wall = 1
  to.slopeX = 0
  to.slopeY = 0
  let [overX, overY] = [0, 0]
  for (const { corners, fromMm, toMm } of solids) {
    const beside = Math.max(fromMm - x, x - toMm)
    if (beside > 0 && beside * beside > 36 * reach2) continue
    let nearest2 = Infinity
    let [nearX, nearY] = [0, 0]
    let isInside = true
    for (let index = 0; index < corners.length; index++) {
      const [ax, ay] = corners[index]!
      const [bx, by] = corners[index + 1 < corners.length ? index + 1 : 0]!
      const [wayX, wayY] = [bx - ax, by - ay]
      if (wayX * (y - ay) - wayY * (x - ax) < 0) isInside = false
      const share = Math.min(1, Math.max(0, ((x - ax) * wayX + (y - ay) * wayY) / (wayX * wayX + wayY * wayY)))
      const [offX, offY] = [x - ax - share * wayX, y - ay - share * wayY]
      const off2 = offX * offX + offY * offY
      if (off2 >= nearest2) continue
      nearest2 = off2
      nearX = offX
      nearY = offY
    }
    if (isInside || nearest2 < 1e-9) {
      to.wall = 0
      return
    }
    to.wall *= nearest2 / (nearest2 + reach2)
    // The slope of d²/(d² + L²), over itself: 2L²/(d² · (d² + L²)) times the way from the body.
    const over = (2 * reach2) / (nearest2 * (nearest2 + reach2))
    overX += over * nearX
    overY += over * nearY
  }
  to.slopeX = to.wall * overX
  to.slopeY = to.wall * overY
}
