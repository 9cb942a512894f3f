import type { Finding, Sentence } from '../findings'
import { quantity, sentence } from '../findings'
import type { Range } from '../units'
import { isWithin, outOfRange } from '../units'

/** Inner length, width and height of a mould, mm. */
export const mouldSideRange: Range = { min: 20, max: 1500 }
/** Liner thickness, mm. */
export const linerRange: Range = { min: 0, max: 20 }
/** Thickness of a mould's wall or floor, mm; 0 where it is not known. */
export const wallRange: Range = { min: 0, max: 60 }
/** Thickness of a bar, mm. */
export const barThicknessRange: Range = { min: 5, max: 150 }
/** What is trimmed from each end of a loaf, the trim's own cut included, mm. */
export const endTrimRange: Range = { min: 0, max: 50 }
/** What one cut between two bars takes away, mm; a wire takes almost nothing. */
export const kerfRange: Range = { min: 0, max: 5 }
/** Logs that a slab is split into. */
export const logCountRange: Range = { min: 1, max: 20 }
export const cavityCountRange: Range = { min: 1, max: 200 }
/** What one cavity holds, ml. */
export const cavityRange: Range = { min: 1, max: 2000 }
/** What a mould holds to its fill line, found by filling it with water, ml. */
export const measuredRange: Range = { min: 10, max: 60_000 }

/**
 * `loaf`: straight or, with top sizes, tapered. `slab`: split into logs that are cut like loaves. `cylinder`: stands
 * upright, its width is its diameter; the log is cut into discs. `cavities`: each gives a bar, nothing is cut.
 */
export const mouldShapes = ['loaf', 'slab', 'cylinder', 'cavities'] as const
export type MouldShape = (typeof mouldShapes)[number]

/** A mould: inner sizes at its base, and how it is lined and filled. All in mm. */
export interface Mould {
  readonly lengthMm: number
  readonly widthMm: number
  readonly heightMm: number
  /** Thickness of its walls. @default 0, not known */
  readonly wallMm?: number
  /** Thickness of its floor. @default 0, not known */
  readonly baseMm?: number
  /** Thickness of the liner: taken from each side, measured horizontally, and from the base. */
  readonly linerMm: number
  /** Depth of batter above the liner. */
  readonly fillHeightMm: number
  /** @default 'loaf' */
  readonly shape?: MouldShape
  /** Inner length at the brim, where it differs from that at the base. */
  readonly topLengthMm?: number | null
  /** Inner width at the brim, where it differs from that at the base. */
  readonly topWidthMm?: number | null
  /** Logs that a slab is split into. @default 1 */
  readonly logCount?: number
  readonly cavityCount?: number
  readonly cavityMl?: number
  /** What it was found to hold to the fill line, ml; goes before what its sizes say. */
  readonly measuredMl?: number | null
}

/** What a mould stands on across, from the outside of one wall to that of the other at its base, mm. */
export function outerBaseMm({ widthMm, wallMm = 0 }: Pick<Mould, 'widthMm' | 'wallMm'>): number {
  return widthMm + 2 * wallMm
}

/** How high a mould is outside, floor and all, mm. */
export function outerHeightMm({ heightMm, baseMm = 0 }: Pick<Mould, 'heightMm' | 'baseMm'>): number {
  return heightMm + baseMm
}

/** The block of soap that comes out, mm. Of a taper the length at its shortest and the width at half height. */
export interface Block {
  readonly lengthMm: number
  readonly widthMm: number
  readonly heightMm: number
}

/** A mould is a loaf unless it says otherwise. */
export const shapeOf = (mould: Pick<Mould, 'shape'>): MouldShape => mould.shape ?? 'loaf'

type Against = (field: keyof Mould, what: Sentence) => void

function checkCavities({ cavityCount = 0, cavityMl = 0 }: Mould, against: Against): void {
  if (!Number.isInteger(cavityCount) || !isWithin(cavityCount, cavityCountRange))
    against('cavityCount', outOfRange('count', cavityCountRange))
  if (!isWithin(cavityMl, cavityRange)) against('cavityMl', outOfRange('volume', cavityRange))
}

function checkSizes(mould: Mould, against: Against): void {
  const { topLengthMm, topWidthMm, logCount = 1, wallMm = 0, baseMm = 0 } = mould
  for (const field of ['lengthMm', 'widthMm', 'heightMm'] as const) {
    if (!isWithin(mould[field], mouldSideRange)) against(field, outOfRange('length', mouldSideRange))
  }
  const tops = { topLengthMm, topWidthMm }
  for (const field of ['topLengthMm', 'topWidthMm'] as const) {
    const topMm = tops[field]
    if (topMm !== null && topMm !== undefined && !isWithin(topMm, mouldSideRange))
      against(field, outOfRange('length', mouldSideRange))
  }
  if (!Number.isInteger(logCount) || !isWithin(logCount, logCountRange))
    against('logCount', outOfRange('count', logCountRange))
  if (!isWithin(wallMm, wallRange)) against('wallMm', outOfRange('length', wallRange))
  if (!isWithin(baseMm, wallRange)) against('baseMm', outOfRange('length', wallRange))
  if (!isWithin(mould.linerMm, linerRange)) against('linerMm', outOfRange('length', linerRange))
  if (!(mould.fillHeightMm > 0)) against('fillHeightMm', sentence('fill_height_zero'))
}

/** What is wrong with the sizes of a mould. Never throws on what a maker can type. */
export function checkMould(mould: Mould): readonly Finding[] {
  const findings: Finding[] = []
  const against: Against = (field, what) => findings.push({ severity: 'refuse', ...what, field })
  const { measuredMl = null } = mould
  if (measuredMl !== null && !isWithin(measuredMl, measuredRange))
    against('measuredMl', outOfRange('volume', measuredRange))
  if (shapeOf(mould) === 'cavities') {
    checkCavities(mould, against)
    return findings
  }
  checkSizes(mould, against)
  if (findings.length > 0) return findings

  const narrowestMm = Math.min(
    mould.lengthMm,
    mould.widthMm,
    mould.topLengthMm ?? mould.lengthMm,
    mould.topWidthMm ?? mould.widthMm,
  )
  if (2 * mould.linerMm >= narrowestMm || mould.linerMm >= mould.heightMm) {
    against('linerMm', sentence('liner_fills_mould'))
    return findings
  }
  const brimMm = mould.heightMm - mould.linerMm
  if (mould.fillHeightMm > brimMm) {
    against('fillHeightMm', sentence('fill_above_brim', { brim: quantity.most('length', brimMm) }))
  }
  return findings
}

function assertFillable(mould: Mould): void {
  const [finding] = checkMould(mould)
  if (finding)
    throw new RangeError(`Expected a mould that can be filled, got ${finding.code} of ${finding.field ?? 'it'}`)
}

/** Inner length and width at a height above the liner's base, liner taken off, mm. */
function openingAt(mould: Mould, aboveMm: number): { readonly lengthMm: number; readonly widthMm: number } {
  const { lengthMm, widthMm, heightMm, linerMm } = mould
  const up = (linerMm + aboveMm) / heightMm
  const at = (baseMm: number, topMm: number): number => baseMm + (topMm - baseMm) * up - 2 * linerMm
  return { lengthMm: at(lengthMm, mould.topLengthMm ?? lengthMm), widthMm: at(widthMm, mould.topWidthMm ?? widthMm) }
}

/**
 * The block of soap in a filled mould; of a cylinder the log lying down. A tray of cavities has none.
 *
 * @throws {RangeError} if `checkMould` refuses the mould, or it has cavities
 */
export function blockOf(mould: Mould): Block {
  assertFillable(mould)
  const shape = shapeOf(mould)
  if (shape === 'cavities') throw new RangeError('Expected a mould that gives a block, got a tray of cavities')
  const { fillHeightMm } = mould
  const base = openingAt(mould, 0)
  if (shape === 'cylinder') return { lengthMm: fillHeightMm, widthMm: base.widthMm, heightMm: base.widthMm }
  const top = openingAt(mould, fillHeightMm)
  return {
    lengthMm: Math.min(base.lengthMm, top.lengthMm),
    widthMm: (base.widthMm + top.widthMm) / 2,
    heightMm: fillHeightMm,
  }
}

/** By its sizes alone, ml: box, prismatoid (a taper), cylinder, or all cavities. */
function reckonedMl(mould: Mould): number {
  const { cavityCount = 0, cavityMl = 0, fillHeightMm } = mould
  const shape = shapeOf(mould)
  if (shape === 'cavities') return cavityCount * cavityMl
  const [base, middle, top] = [0, fillHeightMm / 2, fillHeightMm].map((aboveMm) => openingAt(mould, aboveMm))
  if (!base || !middle || !top) throw new RangeError('Expected three sections')
  if (shape === 'cylinder') return ((Math.PI / 4) * base.widthMm ** 2 * fillHeightMm) / 1000
  const area = ({ lengthMm, widthMm }: typeof base): number => lengthMm * widthMm
  // The prismatoid formula is exact where length and width change linearly with height.
  return (fillHeightMm * (area(base) + 4 * area(middle) + area(top))) / 6000
}

/**
 * Batter that fills the mould to its fill height, ml: as found with water or in pours, else as its sizes say.
 *
 * @throws {RangeError} if `checkMould` refuses the mould
 * @example fillVolumeMl({ lengthMm: 250, widthMm: 80, heightMm: 70, linerMm: 0, fillHeightMm: 60 }) // 1200
 */
export function fillVolumeMl(mould: Mould): number {
  assertFillable(mould)
  return mould.measuredMl ?? reckonedMl(mould)
}

/**
 * Ratio of what a mould was found to hold to what its sizes say; 1 when it was not measured.
 *
 * @throws {RangeError} if the mould would be refused by `checkMould`
 */
export function takeUpFactor(mould: Mould): number {
  return fillVolumeMl(mould) / reckonedMl(mould)
}

/** The mould filled to another height. What it was measured to hold grows with what its sizes say. @throws {RangeError} */
export function filledTo<T extends Mould>(mould: T, fillHeightMm: number): T {
  const other = { ...mould, fillHeightMm }
  if (mould.measuredMl === null || mould.measuredMl === undefined) return other
  return { ...other, measuredMl: takeUpFactor(mould) * reckonedMl(other) }
}
