import type { BatchPlan } from '../batch'
import type { CutPlane } from '../cutting'
import type { MoveLine } from './moves'
import { linesOfPlan } from './plannedMoves'
import type { KnownPulls } from './pulls'
import type { MouldSection } from './section'
import { potAreasMm2 } from './section'
import type { BatterTint } from './shades'
import { shadesAt } from './shades'
import { simulatePour } from './simulate'
import { svgOfCut } from './svg'

/** The section of a mould as it should stand after some of its moves: what a picture of it is made from. */
export interface SectionAfter {
  readonly lines: readonly MoveLine[]
  readonly potAreasMm2: readonly number[]
  readonly section: MouldSection
  readonly plane: CutPlane
  readonly hexes: readonly string[]
}

/**
 * The section after each move of a pour, up to the brim, in the colours of wet batter.
 *
 * @param tint of the batter, and what its scent does to it
 * @throws {RangeError} if a colour cannot be read
 */
export function sectionsAfterMoves(
  plan: Pick<BatchPlan, 'moves' | 'weights' | 'colours'>,
  section: MouldSection,
  tint: BatterTint,
): readonly SectionAfter[] {
  const lines = linesOfPlan(plan)
  const hexes = shadesAt('pour', plan.colours, tint)
  const areas = potAreasMm2(
    plan.weights.pots.map(({ batterG }) => batterG),
    section,
  )
  const plane: CutPlane = {
    kind: 'across',
    leftMm: 0,
    rightMm: section.widthMm,
    alongMm: section.lengthMm / 2,
    upToMm: section.heightMm,
  }
  return lines.map((_, index) => ({ lines: lines.slice(0, index + 1), potAreasMm2: areas, section, plane, hexes }))
}

/** Points across: enough for a picture as wide as a thumb. */
const pictureWidth = 96
const knotsAcross = 48

/**
 * Such a section as an SVG picture in its mould.
 *
 * @param title for those who do not see it
 * @param known pulls followed for the picture before, of the same pour: they are not followed again
 */
export function svgOfSection(
  { lines, potAreasMm2: areas, section, plane, hexes }: SectionAfter,
  title: string,
  known: KnownPulls = new Map(),
): string {
  const inside = simulatePour(lines, areas, section, { across: knotsAcross, known })
  const height = Math.max(1, Math.round((pictureWidth * section.heightMm) / section.widthMm))
  return svgOfCut(inside.cut(plane, pictureWidth, height), pictureWidth, [...hexes, ...inside.otherHexes], {
    widthMm: section.widthMm,
    heightMm: section.heightMm,
    title,
    inMould: true,
  })
}
