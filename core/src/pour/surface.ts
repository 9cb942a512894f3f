/** Columns in which surfaces are kept across the mould. */
export const columns = 512

/** A surface across the mould: its height in each column, mm. */
export type Surface = Float64Array

/** What is above the batter. */
export const air = -1

/**
 * Points that are followed back together. Those whose material is not known yet are the first `count` of `active`; the
 * others were met by a move that has brought them in. Written over at each use.
 */
export interface Points {
  readonly x: Float64Array
  readonly y: Float64Array
  readonly z: Float64Array
  readonly material: Int8Array
  readonly active: Int32Array
  count: number
}

/** Room for so many points, none of them active yet. */
export const pointsFor = (most: number): Points => ({
  x: new Float64Array(most),
  y: new Float64Array(most),
  z: new Float64Array(most),
  material: new Int8Array(most),
  active: new Int32Array(most),
  count: 0,
})

/** Leaves out of the active points those whose material has been found. */
export function keepUnknown(points: Points): void {
  const { material, active, count } = points
  let kept = 0
  for (let place = 0; place < count; place++) {
    const point = active[place]!
    if (material[point] === air) active[kept++] = point
  }
  points.count = kept
}

/**
 * A move taken back: where the active points were before it, or, by their material, that it has brought them in. All of
 * them are inside of the batter as it stood after the move.
 */
export type TakeBack = (points: Points) => void

/** A level surface at a height in mm. */
export const flat = (heightMm: number): Surface => new Float64Array(columns).fill(heightMm)

/** Height of a surface at `x` mm from the left wall, mm, straight between the middles of its columns. */
export function heightAt(surface: Surface, x: number, widthMm: number): number {
  const at = Math.min(columns - 1, Math.max(0, (x / widthMm) * columns - 0.5))
  const low = Math.floor(at)
  const share = at - low
  return surface[low]! * (1 - share) + surface[low < columns - 1 ? low + 1 : low]! * share
}

/** Height of a surface at a wall itself, mm: half a column beyond the middle of the last. */
export function heightAtWall(surface: Surface, wall: 'left' | 'right'): number {
  const [last, before] = wall === 'left' ? [surface[0]!, surface[1]!] : [surface[columns - 1]!, surface[columns - 2]!]
  return Math.max(0, last + (last - before) / 2)
}

/** The one height of a level surface, else undefined. */
export function levelOf(surface: Surface): number | undefined {
  const first = surface[0]!
  for (let column = 1; column < columns; column++) if (Math.abs(surface[column]! - first) > 1e-9) return undefined
  return first
}

/** Area under a surface, mm². */
export function areaOf(surface: Surface, widthMm: number): number {
  let sum = 0
  for (let column = 0; column < columns; column++) sum += surface[column]!
  return (sum * widthMm) / columns
}

/** The share of what lies so deep in each column that is to the left of a point, 0 at the left wall and 1 at the right. */
export function shareFromLeft(depths: Surface, widthMm: number): (x: number) => number {
  const before = new Float64Array(columns + 1)
  for (let column = 0; column < columns; column++) before[column + 1] = before[column]! + depths[column]!
  const whole = before[columns]!
  return (x) => {
    const at = Math.min(columns, Math.max(0, (x / widthMm) * columns))
    if (!(whole > 0)) return at / columns
    const column = Math.min(columns - 1, Math.floor(at))
    return (before[column]! + depths[column]! * (at - column)) / whole
  }
}

/** Highest point of a surface, mm. */
export const topOf = (surface: Surface): number => surface.reduce((top, height) => Math.max(top, height), 0)

/**
 * Halves an interval until it is the height in mm at which `gained` comes to the area. `gained` grows with its height.
 *
 * @param low mm, where too little is gained
 * @param high mm, where enough is gained; given back where nothing in between is enough
 */
export function heightFor(areaMm2: number, low: number, high: number, gained: (heightMm: number) => number): number {
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2
    if (gained(middle) < areaMm2) low = middle
    else high = middle
  }
  return high
}

/** Sums of a surface from the left wall on, one more than it has columns, mm². */
function sumsOf(surface: Surface, widthMm: number): Float64Array {
  const sums = new Float64Array(columns + 1)
  for (let column = 0; column < columns; column++)
    sums[column + 1] = sums[column]! + (surface[column]! * widthMm) / columns
  return sums
}

/** Places across at which a flow is kept, and numbers kept of each. */
const places = 512
const perPlace = 4
const lastPlace = places - 1e-9

/**
 * Batter that flows sideways from one surface to another of the same area, taken back, at places across: where it came
 * from, by what its heights stretch, and two more surfaces read off where it came from.
 *
 * x is where as much batter lay to its left before, and y = y' · dx'/dx, which is y' · c(x)/c'(x'), so that every area
 * is kept.
 */
export class FlowBack {
  private readonly placesPerMm: number
  private readonly table = new Float32Array((places + 1) * perPlace)

  constructor(from: Surface, to: Surface, widthMm: number, low: Surface = from, thickness: Surface = from) {
    this.placesPerMm = places / widthMm
    const [before, after] = [sumsOf(from, widthMm), sumsOf(to, widthMm)]
    const whole = before[columns]!
    for (let place = 0, column = 0; place <= places; place++) {
      const here = (place / places) * columns
      const own = Math.min(columns - 1, Math.floor(here))
      const leftMm2 = after[own]! + (after[own + 1]! - after[own]!) * (here - own)
      while (column < columns - 1 && before[column + 1]! <= leftMm2) column++
      // Within a column the surface is level, so that its stretch is even.
      const span = before[column + 1]! - before[column]!
      const within = span > 0 ? Math.min(1, Math.max(0, (leftMm2 - before[column]!) / span)) : 0.5
      const x = whole > 0 ? ((column + within) / columns) * widthMm : (place / places) * widthMm
      const at = place * perPlace
      this.table[at] = x
      this.table[at + 1] = 1
      this.table[at + 2] = heightAt(low, x, widthMm)
      this.table[at + 3] = heightAt(thickness, x, widthMm)
    }
    // Between two places heights stretch by what the width shrinks, to the last bit of area.
    for (let at = 0; at < places * perPlace; at += perPlace) {
      const wideMm = this.table[at + perPlace]! - this.table[at]!
      if (wideMm > 1e-9) this.table[at + 1] = widthMm / places / wideMm
    }
  }

  /** Takes the active points back. */
  take({ x, y, active, count }: Points): void {
    const { table, placesPerMm } = this
    for (let order = 0; order < count; order++) {
      const point = active[order]!
      let place = x[point]! * placesPerMm
      if (place < 0) place = 0
      else if (place > lastPlace) place = lastPlace
      const first = place | 0
      const index = first * perPlace
      x[point] = table[index]! + (table[index + 4]! - table[index]!) * (place - first)
      y[point] = y[point]! * table[index + 1]!
    }
  }

  /** Takes the active points back, and what came in as a lobe between the two further surfaces out. */
  takeLobe({ x, y, material, active, count }: Points, lobeMaterial: number): void {
    const { table, placesPerMm } = this
    for (let order = 0; order < count; order++) {
      const point = active[order]!
      let place = x[point]! * placesPerMm
      if (place < 0) place = 0
      else if (place > lastPlace) place = lastPlace
      const first = place | 0
      const share = place - first
      const index = first * perPlace
      x[point] = table[index]! + (table[index + 4]! - table[index]!) * share
      const height = y[point]! * table[index + 1]!
      const low = table[index + 2]! + (table[index + 6]! - table[index + 2]!) * share
      if (height <= low) {
        y[point] = height
        continue
      }
      const thick = table[index + 3]! + (table[index + 7]! - table[index + 3]!) * share
      if (height < low + thick) material[point] = lobeMaterial
      else y[point] = height - thick
    }
  }
}
