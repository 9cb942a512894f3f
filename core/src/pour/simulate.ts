import type { MouldSection, PourMove, SectionPoint } from './moves'
import { toolRadiusMm } from './moves'

/** Columns in which surfaces are kept across the mould. */
const columns = 512
/** Knots of the grid that carries a tool's path across the mould; upward as many as make squares. */
const gridAcross = 96
/** A tool's path is followed in steps of this share of its reach. */
const stepShare = 0.6
/** Beyond so many reaches a tool does not stir. */
const reachCut = 3

/** A tool slips through the batter: at its middle that follows by this share of its way. An estimate. */
export const dragShare = 0.8

/** What is above the batter. */
export const air = -1

/** Where a point was before a move; `pot` instead when the move has poured it. Written over at each use. */
interface Origin {
  x: number
  y: number
  pot: number
}

/** A move taken back for one point. The point is inside of the batter as it stood after the move. */
type TakeBack = (at: Origin) => void

/** A surface across the mould: its height in each column, mm. */
type Surface = Float64Array

/** The inside of a loaf after its moves. */
export interface Simulation {
  /** Pot of the batter at a point, or `air`. */
  potAt(xMm: number, yMm: number): number
  /**
   * A picture of the section up to the given height: the pot of each of its points, row by row from the top.
   *
   * @param upToMm height of the picture's upper edge
   */
  picture(width: number, height: number, upToMm: number): Int8Array
  /** Highest point of the batter, mm. */
  readonly topMm: number
}

function heightAt(surface: Surface, x: number, widthMm: number): number {
  const at = Math.min(columns - 1, Math.max(0, (x / widthMm) * columns - 0.5))
  const low = Math.floor(at)
  const share = at - low
  return (surface[low] ?? 0) * (1 - share) + (surface[Math.min(columns - 1, low + 1)] ?? 0) * share
}

const areaOf = (surface: Surface, widthMm: number): number =>
  (surface.reduce((sum, height) => sum + height, 0) * widthMm) / columns

/** Fills up to a line of this slope so that so much batter comes in: each column is as high as it was, or the line. */
function filled(before: Surface, areaMm2: number, slope: number, widthMm: number): Surface {
  const lineAt = (base: number, column: number): number => base + slope * (((column + 0.5) / columns - 0.5) * widthMm)
  const gained = (base: number): number => {
    let sum = 0
    for (let column = 0; column < columns; column++) sum += Math.max(0, lineAt(base, column) - before[column]!)
    return (sum * widthMm) / columns
  }
  let low = Math.min(...before) - Math.abs(slope) * widthMm
  let high = Math.max(...before) + areaMm2 / widthMm + Math.abs(slope) * widthMm
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2
    if (gained(middle) < areaMm2) low = middle
    else high = middle
  }
  return before.map((height, column) => Math.max(height, lineAt(high, column)))
}

/** Thickness of a drop's lobe in each column: a parabola, cut by the walls, of the given area. */
function lobeOf(xMm: number, spreadMm: number, areaMm2: number, widthMm: number): Float64Array {
  const lobe = Float64Array.from({ length: columns }, (_, column) => {
    const off = (((column + 0.5) / columns) * widthMm - xMm) / spreadMm
    return Math.max(0, 1 - off * off)
  })
  const area = areaOf(lobe, widthMm)
  return area > 0 ? lobe.map((thickness) => (thickness * areaMm2) / area) : lobe
}

/**
 * A pour in one place: a lobe t(x) comes in at its depth and lifts what lies above it; the uneven surface c(x) then
 * levels by x' = 1/h' · ∫c dx, y' = y · h'/c(x), which keeps every area.
 */
function dropped(
  before: Surface,
  { pot, xMm, sinkMm, spreadMm }: Extract<PourMove, { kind: 'drop' }>,
  areaMm2: number,
  widthMm: number,
): { readonly after: Surface; readonly takeBack: TakeBack } {
  const lobe = lobeOf(xMm, spreadMm, areaMm2, widthMm)
  const thickest = Math.max(...lobe, 1e-9)
  // The lobe sinks deepest in its middle and lies on the surface at its rim.
  const base = before.map((height, column) => Math.max(0, height - sinkMm * ((lobe[column] ?? 0) / thickest)))
  const raised = before.map((height, column) => height + (lobe[column] ?? 0))
  const level = areaOf(raised, widthMm) / widthMm
  const ends = new Float64Array(columns + 1)
  for (let column = 0; column < columns; column++)
    ends[column + 1] = ends[column]! + (raised[column]! * widthMm) / columns / level
  // Where to begin to look for the column that a point has come from.
  const firstOf = new Int16Array(columns + 1)
  for (let place = 0, column = 0; place <= columns; place++) {
    while (column < columns - 1 && ends[column + 1]! <= (place / columns) * widthMm) column++
    firstOf[place] = column
  }
  const takeBack: TakeBack = (at) => {
    let column = firstOf[Math.min(columns, Math.max(0, Math.floor((at.x / widthMm) * columns)))]!
    while (column < columns - 1 && ends[column + 1]! <= at.x) column++
    // Within a column the surface is level, so that its stretch is even.
    const span = ends[column + 1]! - ends[column]!
    const place = column + (span > 0 ? (at.x - ends[column]!) / span : 0.5)
    at.x = (place / columns) * widthMm
    // The heights between the middles of two columns.
    const between = Math.min(columns - 1, Math.max(0, place - 0.5))
    const low = Math.floor(between)
    const high = Math.min(columns - 1, low + 1)
    const share = between - low
    at.y = (at.y * (raised[low]! * (1 - share) + raised[high]! * share)) / level
    const baseMm = base[low]! * (1 - share) + base[high]! * share
    if (at.y <= baseMm) return
    const lobeMm = lobe[low]! * (1 - share) + lobe[high]! * share
    if (at.y < baseMm + lobeMm) at.pot = pot
    else at.y -= lobeMm
  }
  return { after: new Float64Array(columns).fill(level), takeBack }
}

/** A path in steps: the middle of each and its way, four numbers a step. */
function stepsAlong(path: readonly SectionPoint[], stepMm: number): Float64Array {
  const steps: number[] = []
  path.forEach((to, index) => {
    const from = path[index - 1]
    if (!from) return
    const [wayX, wayY] = [to.xMm - from.xMm, to.yMm - from.yMm]
    const count = Math.max(1, Math.ceil(Math.hypot(wayX, wayY) / stepMm))
    for (let step = 0; step < count; step++) {
      const share = (step + 0.5) / count
      steps.push(from.xMm + wayX * share, from.yMm + wayY * share, wayX / count, wayY / count)
    }
  })
  return Float64Array.from(steps)
}

/** Pulls that were followed already; filled and emptied by each run. */
export type KnownPulls = Map<string, WayBack>

/** Where points were before a tool was drawn, at the knots of a grid. */
export interface WayBack {
  readonly x: Float64Array
  readonly y: Float64Array
  readonly rows: number
  readonly rowMm: number
}

/**
 * Follows the knots of a grid back along a tool's path. The tool drags by the stream function
 * ψ = (Ux·dy − Uy·dx) · exp(−r²/2L²) · wall(x, y), where U is its way and wall falls from 1 to 0 at the sides, the base
 * and the surface as d²/(d² + L²); the way of a point is (∂ψ/∂y, −∂ψ/∂x), by the midpoint rule.
 */
function wayBack(path: readonly SectionPoint[], radiusMm: number, before: Surface, widthMm: number): WayBack {
  const topMm = before.reduce((top, height) => Math.max(top, height), 1)
  const cell = widthMm / gridAcross
  const rows = Math.max(4, Math.ceil(topMm / cell))
  const rowMm = topMm / rows
  const knots = (gridAcross + 1) * (rows + 1)
  const [backX, backY] = [new Float64Array(knots), new Float64Array(knots)]
  const steps = stepsAlong(path, radiusMm * stepShare)
  const reach2 = radiusMm * radiusMm
  const far2 = reach2 * reachCut * reachCut
  let dragX = 0
  let dragY = 0

  /** 0 at a wall and 1 well away from it. */
  const wallAt = (distance: number): number =>
    distance <= 0 ? 0 : (distance * distance) / (distance * distance + reach2)
  const wallSlope = (distance: number): number => {
    const sum = distance * distance + reach2
    return distance <= 0 ? 0 : (2 * distance * reach2) / (sum * sum)
  }
  /** Writes how far a point near the tool is dragged. */
  const dragAt = (x: number, y: number, dx: number, dy: number, ux: number, uy: number): void => {
    const above = heightAt(before, x, widthMm) - y
    const left = wallAt(x)
    const right = wallAt(widthMm - x)
    const floor = wallAt(y)
    const roof = wallAt(above)
    const wall = left * right * floor * roof
    const wallX = floor * roof * (wallSlope(x) * right - left * wallSlope(widthMm - x))
    const wallY = left * right * (wallSlope(y) * roof - floor * wallSlope(above))
    const bell = dragShare * Math.exp(-(dx * dx + dy * dy) / (2 * reach2))
    const across = ux * dy - uy * dx
    dragX = bell * (wall * (ux - (across * dy) / reach2) + across * wallY)
    dragY = bell * (wall * (uy + (across * dx) / reach2) - across * wallX)
  }

  for (let knot = 0; knot < knots; knot++) {
    let x = (knot % (gridAcross + 1)) * cell
    let y = Math.floor(knot / (gridAcross + 1)) * rowMm
    for (let at = steps.length - 4; at >= 0; at -= 4) {
      const dx = x - steps[at]!
      const dy = y - steps[at + 1]!
      if (dx * dx + dy * dy > far2) continue
      const ux = steps[at + 2]!
      const uy = steps[at + 3]!
      dragAt(x, y, dx, dy, ux, uy)
      const backOffX = dragX / 2
      const backOffY = dragY / 2
      dragAt(x - backOffX, y - backOffY, dx - backOffX, dy - backOffY, ux, uy)
      x -= dragX
      y -= dragY
    }
    backX[knot] = Math.min(widthMm, Math.max(0, x))
    backY[knot] = Math.max(0, y)
  }
  return { x: backX, y: backY, rows, rowMm }
}

/** A tool drawn along a path: what follows from a stream function keeps every area. Read off between the knots. */
function drawn({ x: backX, y: backY, rows, rowMm }: WayBack, before: Surface, widthMm: number): TakeBack {
  const cell = widthMm / gridAcross
  return (at) => {
    const gx = Math.min(gridAcross - 1e-9, Math.max(0, at.x / cell))
    const gy = Math.min(rows - 1e-9, Math.max(0, at.y / rowMm))
    const column = Math.floor(gx)
    const row = Math.floor(gy)
    const sx = gx - column
    const sy = gy - row
    const knot = row * (gridAcross + 1) + column
    const above = knot + gridAcross + 1
    const nearLow = (1 - sx) * (1 - sy)
    const farLow = sx * (1 - sy)
    const nearHigh = (1 - sx) * sy
    const farHigh = sx * sy
    at.x = backX[knot]! * nearLow + backX[knot + 1]! * farLow + backX[above]! * nearHigh + backX[above + 1]! * farHigh
    const y =
      backY[knot]! * nearLow + backY[knot + 1]! * farLow + backY[above]! * nearHigh + backY[above + 1]! * farHigh
    // A tool does not lift batter through the surface.
    at.y = Math.min(y, heightAt(before, at.x, widthMm))
  }
}

/**
 * Simulates the inside of a loaf across its length. Each move is a map of the section that keeps areas; for a point of
 * the finished loaf the moves are taken back, the last one first, until one is met that has poured it.
 *
 * @param potAreasMm2 area of the section that all of each pot takes
 * @param known pulls followed in a run before, so that one that is still being drawn does not make the others wait
 */
export function simulatePour(
  moves: readonly PourMove[],
  potAreasMm2: readonly number[],
  { widthMm }: MouldSection,
  known: KnownPulls = new Map(),
): Simulation {
  const used = new Set<string>()
  /** A pull depends on all that was poured before it, and on nothing after. */
  const pulled = (count: number, work: () => WayBack): WayBack => {
    const key = JSON.stringify([moves.slice(0, count), potAreasMm2, widthMm])
    const way = known.get(key) ?? work()
    known.set(key, way)
    used.add(key)
    return way
  }
  let surface: Surface = new Float64Array(columns)
  const back: TakeBack[] = []
  for (const [index, move] of moves.entries()) {
    const before = surface
    if (move.kind === 'hanger' || move.kind === 'skewer') {
      const way = pulled(index + 1, () => wayBack(move.path, toolRadiusMm[move.kind], before, widthMm))
      back.push(drawn(way, before, widthMm))
      continue
    }
    const areaMm2 = (potAreasMm2[move.pot] ?? 0) * move.part
    if (move.kind === 'drop') {
      const { after, takeBack } = dropped(before, move, areaMm2, widthMm)
      surface = after
      back.push(takeBack)
      continue
    }
    const slope = move.kind === 'sloped' ? Math.tan((move.angleDeg * Math.PI) / 180) : 0
    surface = filled(before, areaMm2, slope, widthMm)
    const { pot } = move
    back.push((at) => {
      if (at.y > heightAt(before, at.x, widthMm)) at.pot = pot
    })
  }

  for (const key of known.keys()) if (!used.has(key)) known.delete(key)

  const at: Origin = { x: 0, y: 0, pot: air }
  const potAt = (xMm: number, yMm: number): number => {
    if (yMm > heightAt(surface, xMm, widthMm)) return air
    at.x = xMm
    at.y = yMm
    at.pot = air
    for (let index = back.length - 1; index >= 0 && at.pot === air; index--) back[index]!(at)
    return at.pot
  }
  return {
    potAt,
    topMm: Math.max(...surface),
    picture: (width, height, upToMm) => {
      const pots = new Int8Array(width * height)
      for (let row = 0; row < height; row++)
        for (let column = 0; column < width; column++)
          pots[row * width + column] = potAt(
            ((column + 0.5) / width) * widthMm,
            ((height - row - 0.5) / height) * upToMm,
          )
      return pots
    },
  }
}
