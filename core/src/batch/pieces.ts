import { roundTo } from '../units'

/** Mass of pieces of one colour that a soap takes, g. */
export const pieceMassRange = { min: 1, max: 20_000 } as const

/** Pieces of an earlier soap, out of the scrap bin: confetti, cubes, shavings, embeds. */
export interface PieceUse {
  /** The loaf that they are of. */
  readonly loafId: string
  readonly lotCode: string
  readonly colour: string
  readonly hex: string
  readonly massG: number
}

/** Mass of some pieces together, g. */
export const massOfPieces = (pieces: readonly Pick<PieceUse, 'massG'>[]): number =>
  pieces.reduce((sum, { massG }) => sum + massG, 0)

/**
 * What pieces take up of a mould, ml: as if they were as dense as the batter around them. An estimate: cured soap has lost
 * water and shrunk with it.
 *
 * @param densityGMl of the batter, g/ml; 0 where there is none
 */
export const volumeOfPieces = (pieces: readonly Pick<PieceUse, 'massG'>[], densityGMl: number): number =>
  densityGMl > 0 ? massOfPieces(pieces) / densityGMl : 0

/**
 * What each mould of a batch gets of some pieces, g: shared as its batter is.
 *
 * @param batterG batter of one mould of each kind, g, with how many there are of it
 */
export function piecesPerMould(
  pieces: readonly Pick<PieceUse, 'massG'>[],
  moulds: readonly { readonly batterG: number; readonly count: number }[],
): readonly number[] {
  const allG = moulds.reduce((sum, { batterG, count }) => sum + batterG * count, 0)
  return moulds.map(({ batterG }) => (allG > 0 ? roundTo((massOfPieces(pieces) * batterG) / allG, 1) : 0))
}
