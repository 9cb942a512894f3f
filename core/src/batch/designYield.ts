import { filledTo } from '../mould'
import type { Recipe } from '../recipe'
import type { DesignWish } from './batchWish'
import type { BatchSource, NamedMould } from './scaleDesign'
import { scaleDesign } from './scaleDesign'
import type { ScaledBatch } from './scaleBatch'

/** What one pour makes of a design that is poured in several: moulds, bars and cut of its own. */
export interface PourPart {
  readonly mouldId: string
  readonly mouldCount: number
  readonly barsWanted: number
  /** How thick its bars are cut, mm: as quoted, whatever the mould's usual cut is. */
  readonly barThicknessMm: number
  /** How high its moulds are filled, mm. @default as each mould usually is */
  readonly fillHeightMm?: number | undefined
}

/** A design as one of its pours makes it: in the part's moulds, cut and fill, with its loaves' share of embeds and top. */
export function sourceOfPart<D extends DesignWish, R extends Recipe, M extends NamedMould>(
  source: BatchSource & { readonly design: D; readonly recipe: R },
  part: PourPart,
  mould: M,
): BatchSource & { readonly design: D; readonly recipe: R; readonly mould: M } {
  const { mouldCount, barsWanted, barThicknessMm, fillHeightMm } = part
  const { design, more = [] } = source
  const loaves = design.mouldCount + more.reduce((sum, { count }) => sum + count, 0)
  const share = loaves > 0 ? mouldCount / loaves : 0
  const cut = { ...mould, barThicknessMm }
  return {
    ...source,
    design: {
      ...design,
      mouldCount,
      barsWanted,
      displacedMl: (design.displacedMl ?? 0) * share,
      topMl: (design.topMl ?? 0) * share,
      ...(design.pieces ? { pieces: design.pieces.map((piece) => ({ ...piece, massG: piece.massG * share })) } : {}),
    },
    mould: fillHeightMm === undefined ? cut : filledTo(cut, Math.min(fillHeightMm, cut.heightMm - cut.linerMm)),
    more: [],
  }
}

/** What a design gives, of all the pours it is made in. */
export interface DesignYield {
  readonly bars: number
  /** Bars got minus bars wanted of the design. */
  readonly barsOver: number
  /** The lightest bar of all pours, g: as cut, and cured (an estimate). */
  readonly barWetG: number
  readonly barCuredG: number
  /** Each pour on its own; one where the design is poured at once. */
  readonly pours: readonly ScaledBatch[]
}

/**
 * The bars that a design gives: of the parts that its pours make, or of all of it poured at once where there are none.
 *
 * @throws {RangeError} as `scaleBatch` does
 */
export function designYield(
  source: BatchSource,
  parts: readonly { readonly part: PourPart; readonly mould: NamedMould }[] = [],
): DesignYield {
  const sources = parts.length > 0 ? parts.map(({ part, mould }) => sourceOfPart(source, part, mould)) : [source]
  const pours = sources.map(scaleDesign)
  const bars = pours.reduce((sum, pour) => sum + pour.bars, 0)
  return {
    bars,
    barsOver: bars - source.design.barsWanted,
    barWetG: Math.min(...pours.map(({ barWetG }) => barWetG)),
    barCuredG: Math.min(...pours.map(({ barCuredG }) => barCuredG)),
    pours,
  }
}
