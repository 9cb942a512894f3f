import type { Mould } from '../mould'
import { blockOf, shapeOf, takeUpFactor } from '../mould'
import type { BarCut } from './barsFromLoaf'
import { barsFromLoaf, thicknessForBars } from './barsFromLoaf'

/** What one filled mould gives. */
export interface MouldBars {
  readonly bars: number
  /** Left over of each log besides its end trims, mm. */
  readonly restMm: number
  /** Soap of one bar, ml. */
  readonly barMl: number
}

/** Number of logs that a mould’s soap is cut into lengthwise: 1 unless it is a slab. */
export function logsOf(mould: Pick<Mould, 'shape' | 'logCount'>): number {
  return shapeOf(mould) === 'slab' ? (mould.logCount ?? 1) : 1
}

/** A mould whose bars are cut as thick as its loaf's were planned, whatever its usual cut is. @param barThicknessMm mm; null: as usual */
export function cutAt<M extends BarCut>(mould: M, barThicknessMm: number | null | undefined): M {
  return barThicknessMm === null || barThicknessMm === undefined ? mould : { ...mould, barThicknessMm }
}

/** Sides of a bar, mm: its face, and how thick it is. */
export interface BarSides {
  readonly widthMm: number
  readonly heightMm: number
  readonly thicknessMm: number
}

/** The bar of a mould that is cut as poured. @throws {RangeError} if the mould is out of range, or it has cavities */
export function barSidesOf(mould: Mould & BarCut): BarSides {
  const { widthMm, heightMm } = blockOf(mould)
  return { widthMm: widthMm / logsOf(mould), heightMm, thicknessMm: mould.barThicknessMm }
}

/**
 * Bars of one filled mould: of a loaf its slices, of a slab those of all its logs, of a cylinder its discs, of a tray its
 * cavities. A taper's end bars are as thick as the others and lose their slant to the trims.
 *
 * @throws {RangeError} if the mould or its cut is out of range
 */
export function barsOfMould(mould: Mould & BarCut): MouldBars {
  const shape = shapeOf(mould)
  if (shape === 'cavities') {
    const { cavityCount = 0, cavityMl = 0 } = mould
    return { bars: cavityCount, restMm: 0, barMl: cavityMl * takeUpFactor(mould) }
  }
  const block = blockOf(mould)
  const logs = logsOf(mould)
  const { bars, restMm } = barsFromLoaf(block.lengthMm, mould)
  const faceMm2 = shape === 'cylinder' ? (Math.PI / 4) * block.widthMm ** 2 : (block.widthMm * block.heightMm) / logs
  return { bars: bars * logs, restMm, barMl: (faceMm2 * mould.barThicknessMm * takeUpFactor(mould)) / 1000 }
}

/**
 * The thickness in mm at which one mould gives `bars` bars or a few more with no rest, or undefined when there is none:
 * cavities are not cut.
 *
 * @throws {RangeError} if the mould is out of range or `bars` is not a whole number from 1
 */
export function thicknessForMouldBars(mould: Mould & BarCut, bars: number): number | undefined {
  if (shapeOf(mould) === 'cavities') return undefined
  return thicknessForBars(blockOf(mould).lengthMm, Math.ceil(bars / logsOf(mould)), mould)
}
