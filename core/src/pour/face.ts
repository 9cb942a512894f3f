import type { BarCut, CutPlane, FaceChoice } from '../cutting'
import { isCut, planeOfFace } from '../cutting'
import type { Mould } from '../mould'
import type { MoveLine } from './moves'
import { blurOf, paintCut } from './paint'
import { potAreasMm2, sectionOf, usualSection } from './section'
import type { MouldSection } from './section'
import type { BatterTint, Look, PotShade } from './shades'
import { shadesAt } from './shades'
import { isSeenFromAbove, simulatePour } from './simulate'

/** What a soap's face is drawn from. */
export interface SoapLook {
  readonly name: string
  readonly colours: readonly (PotShade & { readonly share: number })[]
  /** @default none: a level layer of each pot, the first at the bottom */
  readonly pourPlan?: readonly MoveLine[] | undefined
  /** The face its maker has chosen. @default one of the middle bar */
  readonly face?: FaceChoice | null | undefined
  readonly scent?: { readonly rate: number; readonly vanillin?: number | undefined } | null | undefined
  readonly batterHex?: string | null | undefined
}

/** Everything that a face is simulated from; plain data, to be sent to a worker. */
export interface FaceDrawing {
  readonly lines: readonly MoveLine[]
  readonly potAreasMm2: readonly number[]
  readonly section: MouldSection
  readonly plane: CutPlane
  /** The same name has the same hand. */
  readonly seed: number
  readonly hexes: readonly string[]
}

const plainPot = { hex: '#EFE6D2', share: 1 }

// FNV-1a, 32 bits.
function hashOf(text: string): number {
  let hash = 2166136261
  for (const sign of text) hash = Math.imul(hash ^ (sign.codePointAt(0) ?? 0), 16777619) >>> 0
  return hash
}

/** The seed of a soap’s hand, a whole number from 0 to 9972: the same for the same name. */
export const seedOf = (name: string): number => hashOf(name) % 9973

/** A level layer of each pot, the first at the bottom: what a soap is until its pour is designed. */
export function layersOf(pots: number): readonly MoveLine[] {
  return Array.from({ length: pots }, (_, pot): MoveLine => ({ kind: 'level', pot, part: 1 }))
}

/** The tint of a soap's batter and what its scent does to it. */
export const tintOf = ({ scent, batterHex }: Pick<SoapLook, 'scent' | 'batterHex'>): BatterTint => ({
  ...(batterHex ? { tintHex: batterHex } : {}),
  vanillin: scent?.vanillin ?? 0,
  scentRate: scent?.rate ?? 0,
})

/** The middle bar's near face, turned where the picture is seen only from above. */
export function usualFace(lines: readonly MoveLine[], mould: Mould & BarCut): FaceChoice {
  const middle = Math.floor(mould.lengthMm / 2 / Math.max(1, mould.barThicknessMm))
  return isSeenFromAbove(lines)
    ? { way: 'turned', log: 0, bar: 0, layer: 0, isFar: false }
    : { way: 'as_poured', log: 0, bar: middle, layer: 0, isFar: false }
}

/**
 * A soap's own cut face. Moves that pour from a pot it no longer has are left out.
 *
 * @throws {RangeError} if a colour cannot be read, or the mould is out of range
 */
export function faceOf(soap: SoapLook, mould?: Mould & BarCut, look: Look = 'week_4'): FaceDrawing {
  const wanted = soap.colours.filter(({ share }) => share > 0)
  const colours = wanted.length > 0 ? soap.colours : [plainPot]
  const section = mould && isCut(mould) ? sectionOf(mould) : usualSection
  const planned = (soap.pourPlan ?? []).filter(
    ({ pot = 0, pots = [] }) => pot < colours.length && pots.every((part) => part.pot < colours.length),
  )
  const lines = planned.length > 0 && wanted.length > 0 ? planned : layersOf(colours.length)
  const plane: CutPlane =
    mould && isCut(mould)
      ? planeOfFace(soap.face ?? usualFace(lines, mould), mould)
      : { kind: 'across', leftMm: 0, rightMm: section.widthMm, alongMm: section.lengthMm / 2, upToMm: section.fillMm }
  return {
    lines,
    section,
    plane,
    seed: seedOf(soap.name),
    potAreasMm2: potAreasMm2(
      colours.map(({ share }) => share),
      section,
    ),
    hexes: shadesAt(look, colours, tintOf(soap)),
  }
}

/** Height of a face over its width. */
export function faceRatio({ plane }: Pick<FaceDrawing, 'plane'>): number {
  const heightMm = plane.kind === 'across' ? plane.upToMm : plane.toMm - plane.fromMm
  return heightMm / (plane.rightMm - plane.leftMm)
}

/**
 * A face as pixels, red, green, blue and alpha of each in turn.
 *
 * @throws {RangeError} if a colour cannot be read
 */
export function paintFace(face: FaceDrawing, width: number, height: number): Uint8ClampedArray<ArrayBuffer> {
  const { lines, section, plane, seed, hexes } = face
  const alongMm = plane.kind === 'across' ? plane.alongMm : (plane.fromMm + plane.toMm) / 2
  const inside = simulatePour(lines, face.potAreasMm2, section, { hand: { seed, alongMm }, across: 64 })
  const seen = plane.kind === 'across' ? { ...plane, upToMm: Math.max(1, inside.topMm) } : plane
  const pxPerMm = width / (plane.rightMm - plane.leftMm)
  return paintCut(
    inside.cut(seen, width, height),
    width,
    [...hexes, ...inside.otherHexes],
    (blurOf(lines) * pxPerMm) / 2,
  )
}
