import type { Outline, PotPart, PourMove, SectionPoint } from './moves'
import { isTool, toolRadiusMm } from './moves'
import type { MouldSection } from './section'
import { traceEffects } from './trace'

/** What is in the batter besides the pots: their colours. Numbered on from the last pot. */
export interface Materials {
  readonly hexes: string[]
  /** Number of the material with this colour. */
  of(hex: string): number
}

/** The few things that a pour comes down to. Areas are in mm² of the section. */
export type Stroke =
  /** Comes to lie on what is there, up to a level or sloped line. */
  | {
      readonly kind: 'fill'
      readonly slope: number
      readonly parts: readonly { readonly material: number; readonly areaMm2: number }[]
      /** How several materials lie in it: side by side in their order, or as rings around a column, the last innermost. */
      readonly lie: 'as_one' | 'side_by_side' | RingPlace
    }
  /** Sinks in as a lobe and lifts what lies above. */
  | {
      readonly kind: 'lobe'
      readonly material: number
      readonly areaMm2: number
      readonly xMm: number
      readonly sinkMm: number
      readonly spreadMm: number
    }
  /** Lies on the surface as it is, so thick in each place. */
  | {
      readonly kind: 'bumps'
      readonly material: number
      readonly areaMm2: number
      /** Unscaled thickness at a place across, 0 to 1. */
      readonly profile: (share: number) => number
    }
  /** Lies on the surface, everywhere as thick. */
  | { readonly kind: 'coat'; readonly material: number; readonly thickMm: number }
  | {
      readonly kind: 'pull'
      readonly path: readonly SectionPoint[]
      readonly radiusMm: number
      readonly plane: 'section' | 'plan'
    }
  /** A small circle drawn around what was spooned in, just under the surface. */
  | { readonly kind: 'fold'; readonly xMm: number; readonly radiusMm: number }
  /** Drawn up into peaks. */
  | { readonly kind: 'peaks'; readonly peakMm: number; readonly profile: (share: number) => number }
  | {
      readonly kind: 'solid'
      readonly material: number
      readonly outline: Outline
      readonly sizeMm: number
      readonly turnDeg: number
      readonly xMm: number
      /** Height of its middle. */
      readonly yMm: number
    }

interface RingPlace {
  readonly column: { readonly xMm: number; readonly zMm: number; readonly sizeMm: number; readonly outline: Outline }
}

/** Thickness of a powder line, mm. An estimate. */
const powderMm = 0.5
/** The golden ratio's share: places that never bunch up (Weyl's sequence). */
const goldenShare = (Math.sqrt(5) - 1) / 2
const spreadOut = (index: number): number => ((index + 0.5) * goldenShare) % 1
/** Waves of a textured top across a loaf of 80 mm. An estimate. */
const peaksAcross = 5

/** Round strands side by side. */
const strands =
  (count: number) =>
  (share: number): number => {
    const off = ((share * count) % 1) * 2 - 1
    return Math.sqrt(Math.max(0, 1 - off * off))
  }

/** Lines here and there, each twice as wide as it is high at the least: higher ones run flat. */
function lines(count: number, areaMm2: number, widthMm: number): (share: number) => number {
  const places = Array.from({ length: count }, (_, index) => 0.06 + 0.88 * spreadOut(index))
  // A parabola of half width w and height w/2 has the area 2w²/3.
  const halfShare = Math.max(0.01, Math.sqrt((1.5 * areaMm2) / count) / widthMm)
  return (share) => places.reduce((most, place) => Math.max(most, 1 - ((share - place) / halfShare) ** 2), 0)
}

/**
 * A move as strokes.
 *
 * @param areaOf area that a part of a pot takes, mm²
 */
export function strokesOf(
  move: PourMove,
  areaOf: (part: PotPart) => number,
  { widthMm, fillMm }: MouldSection,
  materials: Materials,
): readonly Stroke[] {
  const { kind, pots, xMm, sinkMm, spreadMm, sizeMm, outline, turnDeg, trace } = move
  const count = Math.max(1, Math.round(move.count))
  const parts = pots.map((part) => ({ material: part.pot, areaMm2: areaOf(part) }))
  const [one = { material: 0, areaMm2: 0 }] = parts
  const lobe = (part: { material: number; areaMm2: number }, of: number, at: number, spread = spreadMm): Stroke => ({
    kind: 'lobe',
    material: part.material,
    areaMm2: part.areaMm2 / of,
    xMm: Math.min(widthMm, Math.max(0, at)),
    sinkMm,
    spreadMm: spread,
  })
  const times = <T>(of: number, make: (index: number) => T): readonly T[] =>
    Array.from({ length: of }, (_, i) => make(i))

  if (isTool(kind)) {
    const radiusMm = toolRadiusMm[kind] * traceEffects[trace].reachFactor
    return [{ kind: 'pull', path: move.path, radiusMm, plane: move.plane }]
  }
  switch (kind) {
    case 'level':
      return [{ kind: 'fill', slope: 0, parts, lie: 'as_one' }]
    case 'sloped':
      return [{ kind: 'fill', slope: Math.tan((move.angleDeg * Math.PI) / 180), parts, lie: 'as_one' }]
    case 'dividers':
      return [{ kind: 'fill', slope: 0, parts, lie: 'side_by_side' }]
    case 'column': {
      const turns = times(count, () => parts.map(({ material, areaMm2 }) => ({ material, areaMm2: areaMm2 / count })))
      return [{ kind: 'fill', slope: 0, parts: turns.flat(), lie: { column: { xMm, zMm: move.zMm, sizeMm, outline } } }]
    }
    case 'drop':
      return [lobe(one, 1, xMm)]
    case 'ribbon':
      // To and fro along the mould: each pass crosses the section at a place of its own.
      return times(count, (index) => lobe(one, count, ((index + 0.5) / count) * widthMm, widthMm / count))
    case 'stack':
      // Colours lie in the pot in streaks, and come out of it in turn, each pushing the others aside.
      return times(count, (turn) =>
        parts.map((part, index) => {
          const sway = (spreadOut(turn * parts.length + index) - 0.5) * widthMm * 0.16
          return lobe(part, count, xMm + sway, widthMm * 0.22)
        }),
      ).flat()
    case 'spoon':
      return times(count, (index): readonly Stroke[] => {
        const at = widthMm * (0.12 + 0.76 * spreadOut(index))
        const radiusMm = Math.max(4, Math.min(12, widthMm / (count + 4)))
        return [lobe(one, count, at, 1.4 * radiusMm), { kind: 'fold', xMm: at, radiusMm }]
      }).flat()
    case 'pipe':
      return [{ kind: 'bumps', ...one, profile: strands(count) }]
    case 'drizzle':
      return [{ kind: 'bumps', ...one, profile: lines(count, one.areaMm2, widthMm) }]
    case 'powder':
      return [{ kind: 'coat', material: materials.of(move.hex), thickMm: powderMm }]
    case 'texture':
      return [
        {
          kind: 'peaks',
          peakMm: move.peakMm,
          profile: (share) => {
            const angle = 2 * Math.PI * peaksAcross * share
            return Math.sin(angle) + 0.35 * Math.sin(2.3 * angle + 1)
          },
        },
      ]
    case 'embed':
      return [{ kind: 'solid', material: materials.of(move.hex), outline, sizeMm, turnDeg, xMm, yMm: move.yMm }]
    case 'cubes':
      return times(count, (index) => ({
        kind: 'solid',
        material: materials.of(move.hex),
        outline,
        sizeMm: sizeMm * (0.75 + 0.5 * spreadOut(index * 5 + 2)),
        turnDeg: 90 * spreadOut(index * 3 + 1),
        xMm: widthMm * (0.08 + 0.84 * ((index + 0.5) / count)),
        yMm: fillMm * (0.14 + 0.72 * spreadOut(index)),
      }))
    case 'spray':
      return []
  }
}

/** What a spooned-in colour is folded with: a small circle drawn around it. */
export function foldPath(xMm: number, yMm: number, radiusMm: number): readonly SectionPoint[] {
  return Array.from({ length: 9 }, (_, step) => {
    const angle = (step / 12) * 2 * Math.PI
    return { xMm: xMm + radiusMm * Math.sin(angle), yMm: yMm + radiusMm * (Math.cos(angle) - 1) }
  })
}
