import type { Allowances, Piece, RoughBlock } from '@vendange/core/cutting'

/** What is to be cut: the block as it came out, what is taken off it, and the pieces that are wanted of it. */
export interface CutWish {
  readonly block: RoughBlock
  readonly allowances: Allowances
  readonly pieces: readonly Piece[]
}

/** The wish with one more size, cut from the face of the first. */
export function withAnotherPiece(wish: CutWish): CutWish {
  const [first] = wish.pieces
  if (!first) return wish
  const isSecond = wish.pieces.length === 1
  const [name, parts] = isSecond ? ['Guest bar', 2] : ['Sample', 3]
  return { ...wish, pieces: [...wish.pieces, { ...first, name, faceWidthMm: first.faceWidthMm / parts, wanted: 4 }] }
}
