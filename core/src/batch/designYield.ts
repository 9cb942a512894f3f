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
}

/** A design as one of its pours makes it: in the part's moulds and cut, without the design's other moulds, embeds or top. */
export function sourceOfPart<D extends DesignWish, R extends Recipe, M extends NamedMould>(
  source: BatchSource & { readonly design: D; readonly recipe: R },
  part: PourPart,
  mould: M,
): BatchSource & { readonly design: D; readonly recipe: R; readonly mould: M } {
  const { mouldCount, barsWanted, barThicknessMm } = part
  return {
    ...source,
    design: { ...source.design, mouldCount, barsWanted, displacedMl: 0, topMl: 0 },
    mould: { ...mould, barThicknessMm },
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
