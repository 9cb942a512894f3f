import type { Mould } from '../mould'
import { blockOf, shapeOf } from '../mould'
import type { BarCut } from './barsFromLoaf'
import { barsFromLoaf } from './barsFromLoaf'
import { logsOf } from './mouldBars'

/** How a log is cut: across it as it was poured, or laid on its side, so that faces lie level in the mould. */
export const cutWays = ['as_poured', 'turned'] as const
export type CutWay = (typeof cutWays)[number]

/** Where the bars of one log lie. */
export interface BarGrid {
  readonly way: CutWay
  readonly logs: number
  /** Bars one after the other along the log, and one over the other; only turned logs have more than one layer. */
  readonly along: number
  readonly layers: number
  readonly bars: number
  /** Size of a face, mm. */
  readonly faceWidthMm: number
  readonly faceHeightMm: number
}

/**
 * The bars of a mould cut one way. A turned log gives bars with faces as tall as poured ones: as many along it as that
 * height goes into its length, as many over one another as the thickness goes into its depth.
 *
 * @throws {RangeError} if the mould or its cut is out of range, or it has cavities
 * @example a slab of 300 × 240 × 50 mm in 3 logs, bars of 25 mm: 36 as poured, 3 × 6 × 2 = 36 turned
 */
export function barGrid(mould: Mould & BarCut, way: CutWay): BarGrid {
  const { lengthMm, widthMm, heightMm } = blockOf(mould)
  const logs = logsOf(mould)
  const faceWidthMm = widthMm / logs
  const across = barsFromLoaf(lengthMm, mould).bars
  if (way === 'as_poured')
    return { way, logs, along: across, layers: 1, bars: logs * across, faceWidthMm, faceHeightMm: heightMm }
  const { kerfMm } = mould
  const along = Math.max(0, Math.floor((lengthMm - 2 * mould.endTrimMm + kerfMm) / (heightMm + kerfMm) + 1e-9))
  const layers = barsFromLoaf(heightMm, { ...mould, endTrimMm: 0 }).bars
  return { way, logs, along, layers, bars: logs * along * layers, faceWidthMm, faceHeightMm: heightMm }
}

/** A face of a bar: cut which way, out of which log, which bar along it and in which layer, and its near or far side. */
export interface FaceChoice {
  readonly way: CutWay
  readonly log: number
  readonly bar: number
  readonly layer: number
  readonly isFar: boolean
}

/** A piece of a plane through a loaf, from one place across it to another. */
export type CutPlane = { readonly leftMm: number; readonly rightMm: number } & (
  | {
      /** Upright, so far along the loaf, from its base up. */
      readonly kind: 'across'
      readonly alongMm: number
      readonly upToMm: number
    }
  | {
      /** Level, at a height, from one place along the loaf to another. */
      readonly kind: 'level'
      readonly heightMm: number
      readonly fromMm: number
      readonly toMm: number
    }
)

/**
 * Where a face lies in the mould. A choice beyond the last bar means the last.
 *
 * @throws {RangeError} if the mould or its cut is out of range, or it has cavities
 */
export function planeOfFace(choice: FaceChoice, mould: Mould & BarCut): CutPlane {
  const { endTrimMm, kerfMm, barThicknessMm } = mould
  const grid = barGrid(mould, choice.way)
  const { heightMm, lengthMm } = blockOf(mould)
  const within = (index: number, count: number): number => Math.min(Math.max(0, index), Math.max(0, count - 1))
  const log = within(choice.log, grid.logs)
  const bar = within(choice.bar, grid.along)
  const sides = { leftMm: log * grid.faceWidthMm, rightMm: (log + 1) * grid.faceWidthMm }
  const far = choice.isFar ? barThicknessMm : 0
  if (choice.way === 'as_poured')
    return {
      ...sides,
      kind: 'across',
      upToMm: heightMm,
      alongMm: Math.min(lengthMm, endTrimMm + bar * (barThicknessMm + kerfMm) + far),
    }
  const layer = within(choice.layer, grid.layers)
  const fromMm = endTrimMm + bar * (heightMm + kerfMm)
  return {
    ...sides,
    kind: 'level',
    fromMm,
    toMm: Math.min(lengthMm, fromMm + heightMm),
    heightMm: Math.min(heightMm, Math.max(0, layer * (barThicknessMm + kerfMm) + far)),
  }
}

/** Whether a mould gives a block that a knife goes through. */
export const isCut = (mould: Pick<Mould, 'shape'>): boolean => shapeOf(mould) !== 'cavities'
