/** Columns in which surfaces are kept across the mould. */
export const columns = 512

/** A surface across the mould: its height in each column, mm. */
export type Surface = Float64Array

/** What is above the batter. */
export const air = -1

/** Where a point was before a move; `material` instead when the move has brought it in. Written over at each use. */
export interface Origin {
  x: number
  y: number
  z: number
  material: number
}

/** A move taken back for one point. The point is inside of the batter as it stood after the move. */
export type TakeBack = (at: Origin) => void

export const flat = (heightMm: number): Surface => new Float64Array(columns).fill(heightMm)

export function heightAt(surface: Surface, x: number, widthMm: number): number {
  const at = Math.min(columns - 1, Math.max(0, (x / widthMm) * columns - 0.5))
  const low = Math.floor(at)
  const share = at - low
  return surface[low]! * (1 - share) + surface[low < columns - 1 ? low + 1 : low]! * share
}

/** The one height of a level surface, else undefined. */
export function levelOf(surface: Surface): number | undefined {
  const first = surface[0]!
  for (let column = 1; column < columns; column++) if (Math.abs(surface[column]! - first) > 1e-9) return undefined
  return first
}

export function areaOf(surface: Surface, widthMm: number): number {
  let sum = 0
  for (let column = 0; column < columns; column++) sum += surface[column]!
  return (sum * widthMm) / columns
}

export const topOf = (surface: Surface): number => surface.reduce((top, height) => Math.max(top, height), 0)

/** Halves an interval until it is the height at which `gained` comes to the area. `gained` grows with its height. */
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
const places = 1024
const perPlace = 4

/**
 * Batter that flows sideways from one surface to another of the same area, taken back, at places across: where it came
 * from, by what its heights stretch, and two more surfaces read off where it came from.
 *
 * x is where as much batter lay to its left before, and y = y' · dx'/dx, which is y' · c(x)/c'(x'), so that every area
 * is kept.
 */
export class FlowBack {
  private readonly table = new Float64Array((places + 1) * perPlace)
  /** Read by `take`: the two surfaces where the point came from. */
  lowMm = 0
  thickMm = 0

  constructor(
    from: Surface,
    to: Surface,
    private readonly widthMm: number,
    low: Surface = from,
    thickness: Surface = from,
  ) {
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

  take(at: Origin): void {
    const place = Math.min(places - 1e-9, Math.max(0, (at.x / this.widthMm) * places))
    const first = place | 0
    const share = place - first
    const { table } = this
    const index = first * perPlace
    at.x = table[index]! + (table[index + 4]! - table[index]!) * share
    at.y *= table[index + 1]!
    this.lowMm = table[index + 2]! + (table[index + 6]! - table[index + 2]!) * share
    this.thickMm = table[index + 3]! + (table[index + 7]! - table[index + 3]!) * share
  }
}
