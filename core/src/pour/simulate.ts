import type { CutPlane } from '../cutting'
import { changesAlong, linesAt } from './along'
import { PouredBatter } from './batter'
import type { Hand } from './hand'
import { movesByHand } from './hand'
import type { MoveLine } from './moves'
import { isTool, moveOf } from './moves'
import type { KnownPulls } from './pulls'
import { gridAcross } from './pulls'
import type { MouldSection } from './section'
import { cornersOf, solidAt, solidOf } from './solids'
import type { Materials } from './strokes'
import { strokesOf } from './strokes'
import type { Points } from './surface'
import { air, heightAt, heightAtWall, keepUnknown, levelOf, pointsFor, topOf } from './surface'

/** How far surfaces that are kept in columns may miss one another, mm. */
const hairMm = 0.3

/** The inside of a loaf after its moves. */
export interface Simulation {
  /** What is at a point: the number of a pot, of another material after the last pot, or `air`. */
  materialAt(xMm: number, yMm: number, zMm?: number): number
  /** A picture of a cut: the material of each of its points, row by row from the top or the far end. */
  cut(plane: CutPlane, width: number, height: number): Int8Array
  /** The section in the middle of the loaf up to the given height. */
  picture(width: number, height: number, upToMm: number): Int8Array
  /** Highest point of the batter or of what stands in it, mm. */
  readonly topMm: number
  /** Colours of what is in the batter besides the pots, numbered on from the last pot. */
  readonly otherHexes: readonly string[]
  /** How high the batter stands at the walls and at the most after each move, mm. */
  readonly heightsMm: readonly { readonly leftMm: number; readonly rightMm: number; readonly topMm: number }[]
}

export interface SimulationOptions {
  /** How hand and batter vary; without it everything goes as it is planned. */
  readonly hand?: Hand
  /** Pulls followed in a run before, so that one that is still being drawn does not make the others wait. */
  readonly known?: KnownPulls
  /** Knots across by which a tool is followed; fewer are faster. */
  readonly across?: number
}

/**
 * Simulates the inside of a loaf. Each move is a map of the batter that keeps volumes: across the loaf, or, for a column
 * and for what is drawn on the surface, as seen from above. For a point of the finished loaf the moves are taken back,
 * the last one first, until one is met that has poured it.
 *
 * @param potAreasMm2 area of the section that all of each pot takes
 */
export function simulatePour(
  lines: readonly MoveLine[],
  potAreasMm2: readonly number[],
  section: MouldSection,
  options: SimulationOptions = {},
): Simulation {
  return changesAlong(lines)
    ? simulateAlong(lines, potAreasMm2, section, options)
    : simulateSection(lines, potAreasMm2, section, options)
}

/** From one simulated section to the next along a loaf whose moves change along it, mm. */
const stationMm = 3

/** A loaf whose moves change along it: the section of each of its stations by itself, as they are asked for. */
function simulateAlong(
  lines: readonly MoveLine[],
  potAreasMm2: readonly number[],
  section: MouldSection,
  { hand, across }: SimulationOptions,
): Simulation {
  const stations = new Map<number, Simulation>()
  const at = (alongMm: number): Simulation => {
    const station = Math.round(alongMm / stationMm)
    const found =
      stations.get(station) ??
      simulateSection(linesAt(lines, station * stationMm, section), potAreasMm2, section, {
        ...(hand ? { hand } : {}),
        ...(across === undefined ? {} : { across }),
      })
    stations.set(station, found)
    return found
  }
  const middle = at(section.lengthMm / 2)
  const cut = (plane: CutPlane, width: number, height: number): Int8Array => {
    if (plane.kind === 'across') return at(plane.alongMm).cut(plane, width, height)
    const found = new Int8Array(width * height)
    const rowMm = (plane.toMm - plane.fromMm) / height
    for (let row = 0; row < height; row++) {
      const toMm = plane.toMm - row * rowMm
      const strip = { ...plane, fromMm: toMm - rowMm, toMm }
      found.set(at(toMm - rowMm / 2).cut(strip, width, 1), row * width)
    }
    return found
  }
  return {
    ...middle,
    cut,
    materialAt: (xMm, yMm, zMm = section.lengthMm / 2) => at(zMm).materialAt(xMm, yMm, zMm),
  }
}

function simulateSection(
  lines: readonly MoveLine[],
  potAreasMm2: readonly number[],
  section: MouldSection,
  { hand, known = new Map(), across = gridAcross }: SimulationOptions,
): Simulation {
  const { widthMm, lengthMm } = section
  const planned = lines.map(moveOf)
  const moves = hand ? movesByHand(planned, hand, section) : planned
  const hexes: string[] = []
  const materials: Materials = {
    hexes,
    of: (hex) => {
      const at = hexes.indexOf(hex)
      return potAreasMm2.length + (at >= 0 ? at : hexes.push(hex) - 1)
    },
  }
  const strokes = moves.map((move) =>
    strokesOf(move, ({ pot, part }) => (potAreasMm2[pot] ?? 0) * part, section, materials),
  )
  const standing = strokes.flat().flatMap((stroke) =>
    stroke.kind === 'solid'
      ? [
          solidOf(
            cornersOf(stroke.outline, stroke.sizeMm, stroke.turnDeg).map(([x, y]) => [x + stroke.xMm, y + stroke.yMm]),
            stroke.material,
            widthMm,
          ),
        ]
      : [],
  )
  const pour = new PouredBatter(section, known, across, standing)
  pour.begin([potAreasMm2, standing.length > 0 ? moves : []])
  const heightsMm = moves.map((move, at) => {
    strokes[at]?.forEach((stroke, index) => pour.stroke(stroke, index === 0 ? move : index))
    const { surface } = pour.batter
    return { leftMm: heightAtWall(surface, 'left'), rightMm: heightAtWall(surface, 'right'), topMm: topOf(surface) }
  })
  if (hand) pour.stir(hand, moves)
  for (const key of known.keys()) if (!pour.used.has(key)) known.delete(key)

  const { back } = pour
  const { surface, solids } = pour.batter
  const level = levelOf(surface)
  /** Follows points back, all of them active; those outside of the batter become air. */
  const follow = (points: Points, startY: Float64Array): void => {
    const { x, y, z, material, active, count } = points
    const starts = { x: x.slice(0, count), z: z.slice(0, count) }
    let inside = 0
    for (let point = 0; point < count; point++) {
      const solid = solids.length > 0 ? solidAt(solids, x[point]!, startY[point]!, widthMm) : undefined
      material[point] = solid ? solid.material : air
      if (!solid && startY[point]! <= (level ?? heightAt(surface, x[point]!, widthMm))) active[inside++] = point
    }
    points.count = inside
    // On the base itself is what lies just over it; a hair over the last batter, what lies just under.
    for (let lower = 0; lower < 4 && points.count > 0; lower++) {
      for (let order = 0; order < points.count; order++) {
        const point = active[order]!
        x[point] = starts.x[point]!
        z[point] = starts.z[point]!
        y[point] = Math.max(startY[point]! - lower * hairMm, 1e-6)
      }
      const tried = active.slice(0, points.count)
      for (let index = back.length - 1; index >= 0 && points.count > 0; index--) {
        back[index]!(points)
        keepUnknown(points)
      }
      active.set(tried)
      points.count = tried.length
      keepUnknown(points)
    }
  }
  const single = pointsFor(1)
  const singleY = new Float64Array(1)
  const materialAt = (xMm: number, yMm: number, zMm = lengthMm / 2): number => {
    single.x[0] = xMm
    singleY[0] = yMm
    single.z[0] = zMm
    single.count = 1
    follow(single, singleY)
    return single.material[0]!
  }
  const cut = (plane: CutPlane, width: number, height: number): Int8Array => {
    const found = new Int8Array(width * height)
    const row = pointsFor(width)
    const startY = new Float64Array(width)
    for (let line = 0; line < height; line++) {
      const up = (height - line - 0.5) / height
      const [y, z] =
        plane.kind === 'across'
          ? [up * plane.upToMm, plane.alongMm]
          : [plane.heightMm, plane.fromMm + up * (plane.toMm - plane.fromMm)]
      for (let column = 0; column < width; column++)
        row.x[column] = plane.leftMm + ((column + 0.5) / width) * (plane.rightMm - plane.leftMm)
      startY.fill(y)
      row.z.fill(z)
      row.count = width
      follow(row, startY)
      found.set(row.material, line * width)
    }
    return found
  }
  return {
    materialAt,
    cut,
    picture: (width, height, upToMm) =>
      cut({ kind: 'across', leftMm: 0, rightMm: widthMm, alongMm: lengthMm / 2, upToMm }, width, height),
    topMm: Math.max(topOf(surface), ...solids.map(({ high }) => topOf(high))),
    otherHexes: hexes,
    heightsMm,
  }
}

/** Whether any of the moves is seen only from above. */
export function isSeenFromAbove(lines: readonly MoveLine[]): boolean {
  return lines.some((line) => line.kind === 'column' || (isTool(line.kind) && line.plane === 'plan'))
}
