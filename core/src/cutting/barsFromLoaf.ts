import type { Range } from '../units'
import { assertWithin, roundTo } from '../units'
import { barThicknessRange, endTrimRange, kerfRange } from '../mould'

/** How a loaf is cut into bars, mm. */
export interface BarCut {
  readonly barThicknessMm: number
  /** Taken from each end, its own cut included. */
  readonly endTrimMm: number
  /** Taken by each cut between two bars. */
  readonly kerfMm: number
}

export interface BarsFromLoaf {
  readonly bars: number
  /** What is left over besides the two end trims, mm. */
  readonly restMm: number
}

/** Length of a block, mm. */
export const blockLengthRange: Range = { min: 1, max: 1500 }

function usableLength(lengthMm: number, cut: Omit<BarCut, 'barThicknessMm'>): number {
  assertWithin('lengthMm', lengthMm, blockLengthRange)
  assertWithin('endTrimMm', cut.endTrimMm, endTrimRange)
  assertWithin('kerfMm', cut.kerfMm, kerfRange)
  return lengthMm - 2 * cut.endTrimMm
}

/**
 * Bars of one thickness out of a loaf: n bars and n − 1 cuts between them must fit between the two trims.
 *
 * @throws {RangeError} if a length is out of range
 * @example barsFromLoaf(254, { barThicknessMm: 25.4, endTrimMm: 0, kerfMm: 0 }) // { bars: 10, restMm: 0 }
 */
export function barsFromLoaf(lengthMm: number, cut: BarCut): BarsFromLoaf {
  assertWithin('barThicknessMm', cut.barThicknessMm, barThicknessRange)
  const usableMm = usableLength(lengthMm, cut)
  const bars = Math.max(0, Math.floor((usableMm + cut.kerfMm) / (cut.barThicknessMm + cut.kerfMm) + 1e-9))
  const usedMm = bars === 0 ? 0 : bars * cut.barThicknessMm + (bars - 1) * cut.kerfMm
  return { bars, restMm: roundTo(Math.max(0, usableMm - usedMm), 6) }
}

/**
 * The thickness in mm that gives exactly `bars` bars with no rest, or undefined when it is outside
 * {@link barThicknessRange}.
 *
 * @throws {RangeError} if a length is out of range or `bars` is not a whole number from 1
 */
export function thicknessForBars(
  lengthMm: number,
  bars: number,
  cut: Omit<BarCut, 'barThicknessMm'>,
): number | undefined {
  if (!Number.isInteger(bars) || bars < 1) throw new RangeError(`Expected a whole number of bars from 1, got ${bars}`)
  const thicknessMm = (usableLength(lengthMm, cut) - (bars - 1) * cut.kerfMm) / bars
  return thicknessMm >= barThicknessRange.min && thicknessMm <= barThicknessRange.max ? thicknessMm : undefined
}

/** Where the cuts fall, mm from one end of the block: both trims and every cut between bars. @throws {RangeError} as `barsFromLoaf` does */
export function cutMarks(lengthMm: number, cut: BarCut): readonly number[] {
  const { bars } = barsFromLoaf(lengthMm, cut)
  const { barThicknessMm, endTrimMm, kerfMm } = cut
  const barEnds = Array.from({ length: bars }, (_, index) => endTrimMm + (index + 1) * barThicknessMm + index * kerfMm)
  return [endTrimMm, ...barEnds].filter((markMm) => markMm > 1e-6 && markMm < lengthMm - 1e-6)
}

/** Bars got minus bars hoped for. */
export function cutOutcome(barsGot: number, barsHopedFor: number): number {
  return barsGot - barsHopedFor
}

/** The most that one of `bars` equal bars can weigh, whole g, when the loaf weighs `loafG`; 0 without bars. */
export function heaviestBarG(loafG: number, bars: number): number {
  return bars > 0 ? Math.round(loafG / bars) : 0
}
