import { expect } from 'chai'
import type { CutWish } from '../../src/cut/planner/cutWish'
import { withAnotherPiece, withBlock } from '../../src/cut/planner/cutWish'

const bar = { name: 'Bar', faceWidthMm: 85, faceHeightMm: 65, thicknessMm: 13.5, wanted: null }
const wish: CutWish = {
  block: { lengthMm: 455, widthMm: 85, heightMm: 65 },
  allowances: { endMm: 0, sideMm: 0, topMm: 0, kerfMm: 0 },
  pieces: [bar],
}
const faces = (of: CutWish) => of.pieces.map(({ faceWidthMm, faceHeightMm }) => [faceWidthMm, faceHeightMm])

describe('the block as it came out', () => {
  it('takes the face with it that was its own', () => {
    expect(faces(withBlock(wish, { widthMm: 75 }))).to.deep.equal([[75, 65]])
    expect(faces(withBlock(withBlock(wish, { widthMm: 75 }), { heightMm: 62 }))).to.deep.equal([[75, 62]])
    expect(withBlock(wish, { widthMm: 75 }).block).to.deep.equal({ lengthMm: 455, widthMm: 75, heightMm: 65 })
  })

  it('takes a whole part of it too: a log of a slab, a guest bar', () => {
    expect(faces(withBlock(withAnotherPiece(wish), { widthMm: 80 }))).to.deep.equal([
      [80, 65],
      [40, 65],
    ])
  })

  it('leaves a face of its own size alone', () => {
    const own = { ...wish, pieces: [{ ...bar, faceWidthMm: 60, faceHeightMm: 50 }] }
    expect(faces(withBlock(own, { widthMm: 75, heightMm: 60 }))).to.deep.equal([[60, 50]])
  })
})
