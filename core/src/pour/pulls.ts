import type { SectionPoint } from './moves'
import type { Points, Surface } from './surface'
import { heightAt, levelOf, topOf } from './surface'
import type { Solid, SolidWall } from './solids'
import { wallAround } from './solids'

/** Knots of the grid that carries a tool's path across the mould; upward as many as make squares. */
export const gridAcross = 96
/** A tool's path is followed in steps of this share of its reach. */
const stepShare = 0.7
/** Beyond so many reaches a tool does not stir. */
const reachCut = 2.8

/** A tool slips through the batter: at its middle that follows by this share of its way. An estimate. */
export const dragShare = 0.8

/** Where points were before a tool was drawn, at the knots of a grid. */
export interface WayBack {
  readonly x: Float64Array
  readonly y: Float64Array
  readonly across: number
  readonly rows: number
  readonly cellMm: number
  readonly rowMm: number
}

/** The room in which a tool is drawn: up to a surface, between walls, around what stands in it. */
export interface Room {
  readonly surface: Surface
  readonly solids: readonly Solid[]
  readonly widthMm: number
}

/** Pulls that were followed already; filled and emptied by each run. */
export type KnownPulls = Map<string, WayBack>

/** e^−s for s from 0 to `bellTo`, in even steps. */
const bellTo = (reachCut * reachCut) / 2 + 0.5
const bellSteps = 4096
const bell = Float64Array.from({ length: bellSteps + 2 }, (_, step) => Math.exp((-step * bellTo) / bellSteps))
function bellAt(s: number): number {
  const at = (s / bellTo) * bellSteps
  const low = at | 0
  if (low >= bellSteps) return 0
  return bell[low]! + (bell[low + 1]! - bell[low]!) * (at - low)
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

/** The knots of a grid over a section up to its surface. */
function gridOver(surface: Surface, widthMm: number, across: number) {
  const topMm = Math.max(1, topOf(surface))
  const cellMm = widthMm / across
  const rows = Math.max(4, Math.ceil(topMm / cellMm))
  return { across, rows, cellMm, rowMm: topMm / rows, knots: (across + 1) * (rows + 1) }
}

/**
 * The wall of a room: 1 well inside, falling to 0 at its sides, base, surface and bodies as d²/(d² + L²), d the distance
 * from each. `wallAt` writes it and its slope across and upward into `found`.
 */
function wallOf({ surface, solids, widthMm }: Room, reach2: number) {
  const found: SolidWall = { wall: 0, slopeX: 0, slopeY: 0 }
  const around: SolidWall = { wall: 1, slopeX: 0, slopeY: 0 }
  const level = levelOf(surface)
  const wallAt = (x: number, y: number): void => {
    const toRight = widthMm - x
    const above = (level ?? heightAt(surface, x, widthMm)) - y
    found.wall = 0
    found.slopeX = 0
    found.slopeY = 0
    if (x <= 0 || toRight <= 0 || y <= 0 || above <= 0) return
    const [x2, right2, y2, above2] = [x * x, toRight * toRight, y * y, above * above]
    const wall =
      (x2 / (x2 + reach2)) * (right2 / (right2 + reach2)) * (y2 / (y2 + reach2)) * (above2 / (above2 + reach2))
    // d/dd of d²/(d² + L²), over itself, is 2L²/(d · (d² + L²)).
    found.wall = wall
    found.slopeX = wall * 2 * reach2 * (1 / (x * (x2 + reach2)) - 1 / (toRight * (right2 + reach2)))
    found.slopeY = wall * 2 * reach2 * (1 / (y * (y2 + reach2)) - 1 / (above * (above2 + reach2)))
    if (solids.length === 0) return
    wallAround(solids, x, y, reach2, around)
    found.slopeX = found.slopeX * around.wall + wall * around.slopeX
    found.slopeY = found.slopeY * around.wall + wall * around.slopeY
    found.wall *= around.wall
  }
  return { wallAt, found }
}

/**
 * Follows the knots of a grid back along a tool's path. The tool drags by the stream function
 * ψ = (Ux·dy − Uy·dx) · exp(−r²/2L²) · wall(x, y), where U is its way and wall falls from 1 to 0 at the sides, the base
 * and the surface as d²/(d² + L²); the way of a point is (∂ψ/∂y, −∂ψ/∂x), by the midpoint rule.
 */
export function wayBack(path: readonly SectionPoint[], radiusMm: number, room: Room, across = gridAcross): WayBack {
  const { surface: before, widthMm } = room
  const { rows, cellMm, rowMm, knots } = gridOver(before, widthMm, across)
  const [backX, backY] = [new Float64Array(knots), new Float64Array(knots)]
  const steps = stepsAlong(path, radiusMm * stepShare)
  const reach2 = radiusMm * radiusMm
  const far2 = reach2 * reachCut * reachCut
  const { wallAt, found } = wallOf(room, reach2)
  let dragX = 0
  let dragY = 0

  /** Writes how far a point near the tool is dragged. */
  const dragAt = (x: number, y: number, dx: number, dy: number, ux: number, uy: number): void => {
    wallAt(x, y)
    const share = dragShare * bellAt((dx * dx + dy * dy) / (2 * reach2))
    const past = ux * dy - uy * dx
    dragX = share * (found.wall * (ux - (past * dy) / reach2) + past * found.slopeY)
    dragY = share * (found.wall * (uy + (past * dx) / reach2) - past * found.slopeX)
  }

  for (let knot = 0; knot < knots; knot++) {
    let x = (knot % (across + 1)) * cellMm
    let y = Math.floor(knot / (across + 1)) * rowMm
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
  return { x: backX, y: backY, across, rows, cellMm, rowMm }
}

/** How far from the walls eddies grow to their strength, mm. An estimate. */
const eddyEdgeMm = 4
/** Eddies are a centimetre and more wide, and need fewer knots than a tool. */
const eddyGridAcross = 56

/** One of the slow eddies that leave batter uneven. */
export interface Eddy {
  /** Waves over 1 mm across and upward, in radians, and where they begin. */
  readonly waveX: number
  readonly waveY: number
  readonly phase: number
  /** How far it moves the batter at the most, mm. */
  readonly reachMm: number
}

/** Sines of a whole turn and a quarter more, in even steps: read straight between them, they miss by less than 2e-7. */
const turnSteps = 4096
const quarter = turnSteps / 4
const sines = Float64Array.from({ length: turnSteps + quarter + 2 }, (_, step) =>
  Math.sin((step * 2 * Math.PI) / turnSteps),
)
const stepsPerRadian = turnSteps / (2 * Math.PI)

/**
 * Follows the knots back through eddies that keep every area: ψ = Σ aᵢ · sin(kᵢ·x + φᵢ) · wall, in short midpoint steps.
 */
export function eddiesBack(eddies: readonly Eddy[], room: Room, across = eddyGridAcross): WayBack {
  const { surface: before, widthMm } = room
  const { rows, cellMm, rowMm, knots } = gridOver(before, widthMm, across)
  const [backX, backY] = [new Float64Array(knots), new Float64Array(knots)]
  const rounds = 4
  const { wallAt, found } = wallOf(room, eddyEdgeMm * eddyEdgeMm)
  const count = eddies.length
  const waveX = Float64Array.from(eddies, (eddy) => eddy.waveX)
  const waveY = Float64Array.from(eddies, (eddy) => eddy.waveY)
  const phase = Float64Array.from(eddies, (eddy) => eddy.phase)
  const size = Float64Array.from(eddies, (eddy) => eddy.reachMm / Math.hypot(eddy.waveX, eddy.waveY) / rounds)
  let moveX = 0
  let moveY = 0
  const moveAt = (x: number, y: number): void => {
    moveX = 0
    moveY = 0
    wallAt(x, y)
    if (found.wall === 0) return
    let [alongX, alongY, slant] = [0, 0, 0]
    for (let eddy = 0; eddy < count; eddy++) {
      const turned = (waveX[eddy]! * x + waveY[eddy]! * y + phase[eddy]!) * stepsPerRadian
      const whole = Math.floor(turned)
      const share = turned - whole
      // The lowest bits of a step below 0 count from the end of the turn.
      const step = whole & (turnSteps - 1)
      const sine = sines[step]! + (sines[step + 1]! - sines[step]!) * share
      const cosine = sines[step + quarter]! + (sines[step + quarter + 1]! - sines[step + quarter]!) * share
      alongX += size[eddy]! * waveY[eddy]! * cosine
      alongY += size[eddy]! * waveX[eddy]! * cosine
      slant += size[eddy]! * sine
    }
    moveX = found.wall * alongX + found.slopeY * slant
    moveY = -found.wall * alongY - found.slopeX * slant
  }
  for (let knot = 0; knot < knots; knot++) {
    let x = (knot % (across + 1)) * cellMm
    let y = Math.floor(knot / (across + 1)) * rowMm
    for (let round = 0; round < rounds; round++) {
      moveAt(x, y)
      moveAt(x - moveX / 2, y - moveY / 2)
      x -= moveX
      y -= moveY
    }
    backX[knot] = Math.min(widthMm, Math.max(0, x))
    backY[knot] = Math.max(0, y)
  }
  return { x: backX, y: backY, across, rows, cellMm, rowMm }
}

/**
 * What follows from a stream function keeps every area. Read off between the knots, for the active points; `up` is their
 * height, or, seen from above, their place along the mould.
 */
export function readWay(
  { x: backX, y: backY, across, rows, cellMm, rowMm }: WayBack,
  before: Surface,
  widthMm: number,
): (points: Points, up: Float64Array) => void {
  const knots = across + 1
  // Both ways side by side, so that a cell is read in two places.
  const back = new Float64Array(2 * backX.length)
  for (let knot = 0; knot < backX.length; knot++) {
    back[2 * knot] = backX[knot]!
    back[2 * knot + 1] = backY[knot]!
  }
  const [perMmX, perMmY, lastX, lastY] = [1 / cellMm, 1 / rowMm, across - 1e-9, rows - 1e-9]
  const level = levelOf(before)
  return ({ x, active, count }, up) => {
    for (let order = 0; order < count; order++) {
      const point = active[order]!
      let gx = x[point]! * perMmX
      let gy = up[point]! * perMmY
      if (gx < 0) gx = 0
      else if (gx > lastX) gx = lastX
      if (gy < 0) gy = 0
      else if (gy > lastY) gy = lastY
      const column = gx | 0
      const row = gy | 0
      const sx = gx - column
      const sy = gy - row
      const near = 2 * (row * knots + column)
      const above = near + 2 * knots
      const lowX = back[near]! + (back[near + 2]! - back[near]!) * sx
      const lowY = back[near + 1]! + (back[near + 3]! - back[near + 1]!) * sx
      const highX = back[above]! + (back[above + 2]! - back[above]!) * sx
      const highY = back[above + 1]! + (back[above + 3]! - back[above + 1]!) * sx
      const nowX = lowX + (highX - lowX) * sy
      const nowY = lowY + (highY - lowY) * sy
      x[point] = nowX
      // A tool does not lift batter through the surface.
      const top = level ?? heightAt(before, nowX, widthMm)
      up[point] = nowY < top ? nowY : top
    }
  }
}
