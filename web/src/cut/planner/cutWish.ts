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

const sameMm = 0.01
const mostParts = 12

/** A face's side after the block's has changed: one that was the block's, or a whole part of it, still is. mm */
function followed(sideMm: number, beforeMm: number, afterMm: number): number {
  const parts = Math.round(beforeMm / sideMm)
  const isPart = parts >= 1 && parts <= mostParts && Math.abs(beforeMm - parts * sideMm) < sameMm
  return isPart ? afterMm / parts : sideMm
}

/** The wish with the block as it really came out: faces that are the block's own follow it. */
export function withBlock(wish: CutWish, change: Partial<RoughBlock>): CutWish {
  const block = { ...wish.block, ...change }
  const pieces = wish.pieces.map((piece) => ({
    ...piece,
    faceWidthMm: followed(piece.faceWidthMm, wish.block.widthMm, block.widthMm),
    faceHeightMm: followed(piece.faceHeightMm, wish.block.heightMm, block.heightMm),
  }))
  return { ...wish, block, pieces }
}
