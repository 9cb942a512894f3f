import type { Hand } from './hand'
import { eddiesOf } from './hand'
import type { PourMove, SectionPoint } from './moves'
import { toolRadiusMm } from './moves'
import type { KnownPulls, WayBack } from './pulls'
import { eddiesBack, readWay, wayBack } from './pulls'
import { ringShare } from './rings'
import type { MouldSection } from './section'
import type { Solid } from './solids'
import { freeAt, freeBelow, heightOfFree, heightOfFreeAt } from './solids'
import type { Stroke } from './strokes'
import { foldPath } from './strokes'
import type { Surface, TakeBack } from './surface'
import { areaOf, columns, flat, FlowBack, heightAt, heightFor, levelOf, shareFromLeft, topOf } from './surface'

/** The batter between two moves, and what stands in it: layers lie level around that from the first pour on. */
interface Batter {
  surface: Surface
  readonly solids: readonly Solid[]
}

/** Fills up to a line of this slope until so much batter has come in: each column is as high as it was, or the line. */
function filled({ surface, solids }: Batter, areaMm2: number, slope: number, widthMm: number): Surface {
  const lineAt = (base: number, column: number): number => base + slope * (((column + 0.5) / columns - 0.5) * widthMm)
  const freeBefore = surface.map((height, column) => freeBelow(solids, column, height))
  const reach = Math.abs(slope) * widthMm
  const gained = (base: number): number => {
    let sum = 0
    for (let column = 0; column < columns; column++) {
      const line = lineAt(base, column)
      if (line <= surface[column]!) continue
      sum += (solids.length > 0 ? freeBelow(solids, column, line) : line) - freeBefore[column]!
    }
    return (sum * widthMm) / columns
  }
  const thickMm = solids.reduce((sum, { low, high }) => sum + Math.max(...high.map((top, at) => top - low[at]!)), 0)
  const base = heightFor(
    areaMm2,
    Math.min(...surface) - reach,
    topOf(surface) + areaMm2 / widthMm + reach + thickMm,
    gained,
  )
  return surface.map((height, column) => Math.max(height, lineAt(base, column)))
}

/** Thickness of a drop's lobe in each column: a bell (1 − u²)² that ends at its rim, cut by the walls, of the given area. */
function lobeOf(xMm: number, spreadMm: number, areaMm2: number, widthMm: number): Float64Array {
  return scaledTo(
    Float64Array.from({ length: columns }, (_, column) => {
      const off = (((column + 0.5) / columns) * widthMm - xMm) / spreadMm
      return Math.max(0, 1 - off * off) ** 2
    }),
    areaMm2,
    widthMm,
  )
}

function scaledTo(thickness: Float64Array, areaMm2: number, widthMm: number): Float64Array {
  const area = areaOf(thickness, widthMm)
  return area > 0 ? thickness.map((mm) => (mm * areaMm2) / area) : thickness
}

/** Follows the moves one by one, and keeps how each is taken back. */
export class PouredBatter {
  readonly back: TakeBack[] = []
  readonly batter: Batter
  readonly used = new Set<string>()
  private done: unknown[] = []

  constructor(
    private readonly section: MouldSection,
    private readonly known: KnownPulls,
    private readonly across: number,
    solids: readonly Solid[],
  ) {
    this.batter = { surface: flat(0), solids }
  }

  /** A pull depends on all that was poured before it, and on nothing after. */
  private followed(work: () => WayBack): WayBack {
    const key = JSON.stringify([this.section.widthMm, this.section.lengthMm, this.across, this.done])
    const way = this.known.get(key) ?? work()
    this.known.set(key, way)
    this.used.add(key)
    return way
  }

  /** What the pour depends on from the beginning. */
  begin(note: unknown): void {
    this.done.push(note)
  }

  /** @param note what this stroke depends on besides those before it */
  stroke(stroke: Stroke, note: unknown): void {
    this.done.push(note)
    switch (stroke.kind) {
      case 'fill':
        return this.fill(stroke)
      case 'lobe':
        return this.lobe(stroke)
      case 'bumps':
        return this.lay(
          stroke.material,
          scaledTo(
            Float64Array.from({ length: columns }, (_, column) => stroke.profile((column + 0.5) / columns)),
            stroke.areaMm2,
            this.section.widthMm,
          ),
        )
      case 'coat':
        return this.lay(stroke.material, flat(stroke.thickMm))
      case 'pull':
        return stroke.plane === 'plan' ? this.pullSeenFromAbove(stroke) : this.pull(stroke.path, stroke.radiusMm)
      case 'fold':
        return this.pull(foldPath(stroke.xMm, topOf(this.batter.surface) - 1, stroke.radiusMm), toolRadiusMm.hanger)
      case 'peaks':
        return this.peaks(stroke)
      case 'solid':
        // Room was made for it from the first pour on.
        return
    }
  }

  private fill({ parts, slope, lie }: Extract<Stroke, { kind: 'fill' }>): void {
    const { widthMm, lengthMm } = this.section
    const areaMm2 = parts.reduce((sum, part) => sum + part.areaMm2, 0)
    const { surface: before, solids } = this.batter
    const after = filled(this.batter, areaMm2, slope, widthMm)
    this.batter.surface = after
    const [first] = parts
    if (!first) return
    if (lie === 'as_one') {
      this.back.push(this.above(before, () => first.material))
      return
    }
    // What lies on uneven batter is deep here and thin there: its shares are of volume, from the left or from the middle.
    const depths = after.map(
      (height, column) => freeBelow(solids, column, height) - freeBelow(solids, column, before[column]!),
    )
    const inOrder = lie === 'side_by_side' ? parts : parts.toReversed()
    let sum = 0
    const ends = inOrder.map((part) => (sum += areaMm2 > 0 ? part.areaMm2 / areaMm2 : 0))
    const shareAt =
      lie === 'side_by_side'
        ? shareFromLeft(depths, widthMm)
        : ringShare(lie.column, { widthMm, lengthMm }, (x) => heightAt(depths, x, widthMm))
    this.back.push(
      this.above(before, (x, z) => {
        const share = shareAt(x, z)
        return inOrder.at(ends.findIndex((end) => share <= end))!.material
      }),
    )
  }

  /** What lies above a surface was brought in. */
  private above(before: Surface, materialAt: (x: number, z: number) => number): TakeBack {
    const { widthMm } = this.section
    const level = levelOf(before)
    return ({ x, y, z, material, active, count }) => {
      for (let order = 0; order < count; order++) {
        const point = active[order]!
        if (y[point]! > (level ?? heightAt(before, x[point]!, widthMm)))
          material[point] = materialAt(x[point]!, z[point]!)
      }
    }
  }

  /** Heights of the active points where what stands in the batter is taken out, or put back. */
  private eachHeight(change: (solids: readonly Solid[], x: number, y: number, widthMm: number) => number): TakeBack {
    const { widthMm } = this.section
    const { solids } = this.batter
    return ({ x, y, active, count }) => {
      if (solids.length === 0) return
      for (let order = 0; order < count; order++) {
        const point = active[order]!
        y[point] = change(solids, x[point]!, y[point]!, widthMm)
      }
    }
  }

  /**
   * A pour in one place: a lobe t(x) comes in at its depth and lifts what lies above it; the uneven surface then levels.
   * All of it where what stands in the batter is taken out, so that this keeps its shape.
   */
  private lobe({ material, areaMm2, xMm, sinkMm, spreadMm }: Extract<Stroke, { kind: 'lobe' }>): void {
    const { widthMm } = this.section
    const { surface, solids } = this.batter
    const before = surface.map((height, column) => freeBelow(solids, column, height))
    const lobe = lobeOf(xMm, spreadMm, areaMm2, widthMm)
    const thickest = Math.max(...lobe, 1e-9)
    // The lobe sinks deepest in its middle and lies on the surface at its rim.
    const base = before.map((height, column) => Math.max(0, height - sinkMm * (lobe[column]! / thickest)))
    const raised = before.map((height, column) => height + lobe[column]!)
    const total = areaOf(raised, widthMm)
    const levelled = this.levelled(total, solids)
    const flow = new FlowBack(raised, levelled.free, widthMm, base, lobe)
    this.batter.surface = levelled.surface
    const [takeOut, putBack] = [this.eachHeight(freeAt), this.eachHeight(heightOfFreeAt)]
    this.back.push((points) => {
      takeOut(points)
      flow.takeLobe(points, material)
      putBack(points)
    })
  }

  /** The level surface over so much batter between what stands in it, and that batter's height in each column. */
  private levelled(areaMm2: number, solids: readonly Solid[]): { surface: Surface; free: Surface } {
    const { widthMm } = this.section
    if (solids.length === 0) {
      const level = flat(areaMm2 / widthMm)
      return { surface: level, free: level }
    }
    const surface = filled({ surface: flat(0), solids }, areaMm2, 0, widthMm)
    return { surface, free: surface.map((height, column) => freeBelow(solids, column, height)) }
  }

  /** Lies on the surface as it is. */
  private lay(material: number, thickness: Float64Array): void {
    const before = this.batter.surface
    this.batter.surface = before.map((height, column) => height + thickness[column]!)
    this.back.push(this.above(before, () => material))
  }

  private pull(path: readonly SectionPoint[], radiusMm: number): void {
    const { widthMm } = this.section
    const { surface, solids } = this.batter
    const way = this.followed(() => wayBack(path, radiusMm, { surface, solids, widthMm }, this.across))
    this.readBack(way, surface)
  }

  private readBack(way: WayBack, surface: Surface): void {
    const read = readWay(way, surface, this.section.widthMm)
    this.back.push((points) => read(points, points.y))
  }

  private pullSeenFromAbove({ path, radiusMm }: Extract<Stroke, { kind: 'pull' }>): void {
    const { widthMm, lengthMm } = this.section
    const floor = flat(lengthMm)
    const read = readWay(
      this.followed(() => wayBack(path, radiusMm, { surface: floor, solids: [], widthMm }, this.across)),
      floor,
      widthMm,
    )
    this.back.push((points) => read(points, points.z))
  }

  private peaks({ peakMm, profile }: Extract<Stroke, { kind: 'peaks' }>): void {
    const { widthMm } = this.section
    const { surface, solids } = this.batter
    const before = surface.map((height, column) => freeBelow(solids, column, height))
    const area = areaOf(before, widthMm)
    if (!(area > 0)) return
    const drawnUp = before.map((height, column) =>
      Math.max(height * 0.5, height + (profile((column + 0.5) / columns) * peakMm) / 2),
    )
    const after = scaledTo(drawnUp, area, widthMm)
    const flow = new FlowBack(before, after, widthMm)
    this.batter.surface = after.map((free, column) => heightOfFree(solids, column, free))
    const [takeOut, putBack] = [this.eachHeight(freeAt), this.eachHeight(heightOfFreeAt)]
    this.back.push((points) => {
      takeOut(points)
      flow.take(points)
      putBack(points)
    })
  }

  /** Leaves the batter as uneven as a hand and its trace leave it. */
  stir(hand: Hand, moves: readonly PourMove[]): void {
    const { widthMm } = this.section
    const eddies = eddiesOf(moves, hand)
    if (eddies.length === 0 || topOf(this.batter.surface) < 1) return
    this.done.push(['hand', hand])
    const { surface, solids } = this.batter
    const way = this.followed(() => eddiesBack(eddies, { surface, solids, widthMm }))
    this.readBack(way, surface)
  }
}
