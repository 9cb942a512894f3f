import type { Finding } from '../../findings'
import { quantity, refuse } from '../../findings'
import type { Mould } from '../../mould'
import { barThicknessRange, blockOf, endTrimRange, kerfRange } from '../../mould'
import type { Range } from '../../units'
import { isWithin, outOfRange } from '../../units'
import type { BarCut } from '../barsFromLoaf'
import { logsOf } from '../mouldBars'
import type { CutWay } from '../turned'

/** A kind of piece that is wanted: a full bar, a guest bar, a sample. */
export interface Piece {
  readonly name: string
  /** Its face, as it is to be seen. */
  readonly faceWidthMm: number
  readonly faceHeightMm: number
  readonly thicknessMm: number
  /** How many; null: as many as there is room for. */
  readonly wanted: number | null
}

/**
 * The bar that a mould is usually cut into, as many as there is room for: as high as the block, and as wide as a log,
 * which the cuts between logs make narrower. Exact, for a side rounded up would not come out of its own block.
 *
 * @throws {RangeError} if the mould is out of range, or it has cavities
 */
export function usualPiece(mould: Mould & BarCut): Piece {
  const { widthMm, heightMm } = blockOf(mould)
  const logs = logsOf(mould)
  return {
    name: 'Bar',
    faceWidthMm: (widthMm - (logs - 1) * mould.kerfMm) / logs,
    faceHeightMm: heightMm,
    thicknessMm: mould.barThicknessMm,
    wanted: null,
  }
}

/** What is lost besides the pieces, mm. */
export interface Allowances {
  /** From each end of the block, from each of its sides and from its top: uneven, or planed. */
  readonly endMm: number
  readonly sideMm: number
  readonly topMm: number
  /** By each cut. */
  readonly kerfMm: number
}

/** The block as it came out of its mould, mm. */
export interface RoughBlock {
  readonly lengthMm: number
  readonly widthMm: number
  readonly heightMm: number
}

/** Which side its logs run along. `along` its length, `across` its width. */
export const rounds = ['along', 'across'] as const
export type Round = (typeof rounds)[number]

export const faceSideRange: Range = { min: 5, max: 300 }
export const mostPieceKinds = 4
export const wantedRange: Range = { min: 1, max: 400 }

/** What of a block can be used when its logs run one way, mm. */
export interface Usable {
  readonly lengthMm: number
  readonly widthMm: number
  readonly heightMm: number
}

/** What is left of a block once ends, sides and top are taken off, mm; below 0 where more is taken off than there is. */
export function usableOf(block: RoughBlock, round: Round, { endMm, sideMm, topMm }: Allowances): Usable {
  // The ends are the block's, and so are its sides, whichever way its logs run.
  const [longMm, wideMm] = [block.lengthMm - 2 * endMm, block.widthMm - 2 * sideMm]
  const [lengthMm, widthMm] = round === 'along' ? [longMm, wideMm] : [wideMm, longMm]
  return { lengthMm, widthMm, heightMm: block.heightMm - topMm }
}

/** What is taken off as the block lies with its logs running away from the maker, mm: at the near end of a log, and at the left. */
export function trimsOf(
  round: Round,
  { endMm, sideMm }: Pick<Allowances, 'endMm' | 'sideMm'>,
): { readonly nearMm: number; readonly leftMm: number } {
  return round === 'along' ? { nearMm: endMm, leftMm: sideMm } : { nearMm: sideMm, leftMm: endMm }
}

/** How many pieces of a size go side by side into a length, a cut between each two. */
export function howMany(lengthMm: number, pieceMm: number, kerfMm: number): number {
  return pieceMm > 0 ? Math.max(0, Math.floor((lengthMm + kerfMm) / (pieceMm + kerfMm) + 1e-9)) : 0
}

/** Room that so many pieces take, mm. */
export const roomOf = (count: number, pieceMm: number, kerfMm: number): number =>
  count > 0 ? count * pieceMm + (count - 1) * kerfMm : 0

/** mm³. */
export const volumeOf = ({ lengthMm, widthMm, heightMm }: RoughBlock): number => lengthMm * widthMm * heightMm

/** Volume of a piece, mm³. */
export const pieceMm3 = ({ faceWidthMm, faceHeightMm, thicknessMm }: Piece): number =>
  faceWidthMm * faceHeightMm * thicknessMm

/** A piece as it lies in the block. */
export interface LaidPiece {
  readonly acrossMm: number
  readonly alongMm: number
  /** One over the other. */
  readonly layers: number
  readonly volumeMm3: number
  /** What it counts for in the choice: its volume, and more than the whole block where a number is wanted. */
  readonly worthMm3: number
}

/** As poured its face stands upright across the log; turned it lies level, and bars lie over one another. */
export function laid(piece: Piece, way: CutWay, heightMm: number, kerfMm: number, blockMm3 = 0): LaidPiece {
  const { faceWidthMm, faceHeightMm, thicknessMm, wanted } = piece
  const volumeMm3 = pieceMm3(piece)
  const [alongMm, depthMm] = way === 'as_poured' ? [thicknessMm, faceHeightMm] : [faceHeightMm, thicknessMm]
  return {
    acrossMm: faceWidthMm,
    alongMm,
    layers: howMany(heightMm, depthMm, kerfMm),
    volumeMm3,
    worthMm3: wanted === null ? volumeMm3 : volumeMm3 + blockMm3,
  }
}

/** What is wrong with what was asked of the planner, in the maker's words. */
export function checkPieces(block: RoughBlock, pieces: readonly Piece[], allowances: Allowances): readonly Finding[] {
  const findings: Finding[] = []
  const outside = (range: Range, field: string): void =>
    void findings.push({ severity: 'refuse', ...outOfRange('length', range), field })
  if (pieces.length === 0) findings.push(refuse('no_piece', undefined, 'pieces'))
  if (pieces.length > mostPieceKinds) findings.push(refuse('too_many_kinds', { most: mostPieceKinds }, 'pieces'))
  pieces.forEach((piece, index) => {
    const field = (name: string): string => `pieces[${index}].${name}`
    for (const side of ['faceWidthMm', 'faceHeightMm'] as const)
      if (!isWithin(piece[side], faceSideRange)) outside(faceSideRange, field(side))
    if (!isWithin(piece.thicknessMm, barThicknessRange)) outside(barThicknessRange, field('thicknessMm'))
    if (piece.wanted !== null && (!Number.isInteger(piece.wanted) || !isWithin(piece.wanted, wantedRange)))
      findings.push(refuse('wanted_range', { least: wantedRange.min, most: wantedRange.max }, field('wanted')))
  })
  for (const side of ['endMm', 'sideMm', 'topMm'] as const)
    if (!isWithin(allowances[side], endTrimRange)) outside(endTrimRange, side)
  if (!isWithin(allowances.kerfMm, kerfRange)) outside(kerfRange, 'kerfMm')
  if (findings.length > 0) return findings
  const fits = rounds.some((round) =>
    pieces.some((piece) => {
      const usable = usableOf(block, round, allowances)
      return (['as_poured', 'turned'] as const).some((way) => {
        const { acrossMm, alongMm, layers } = laid(piece, way, usable.heightMm, allowances.kerfMm)
        return acrossMm <= usable.widthMm && alongMm <= usable.lengthMm && layers > 0
      })
    }),
  )
  if (!fits)
    findings.push(
      refuse(
        'none_fits',
        {
          length: quantity.length(block.lengthMm),
          width: quantity.length(block.widthMm),
          height: quantity.length(block.heightMm),
        },
        'pieces',
      ),
    )
  return findings
}
