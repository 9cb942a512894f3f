import { expect } from 'chai'
import fc from 'fast-check'
import type { Piece, RoughBlock } from '../../../src/cutting'
import { checkPieces, howMany, laid, roomOf, usableOf, volumeOf } from '../../../src/cutting'
import { plainly } from '../../plainly'

const block: RoughBlock = { lengthMm: 300, widthMm: 80, heightMm: 70 }
const bar: Piece = { name: 'Bar', faceWidthMm: 80, faceHeightMm: 70, thicknessMm: 25, wanted: null }
const none = { endMm: 0, sideMm: 0, topMm: 0, kerfMm: 0 }

describe('what of a block can be used', () => {
  it('is less both ends, both sides and the top', () => {
    const allowances = { ...none, endMm: 5, sideMm: 2, topMm: 3 }
    expect(usableOf(block, 'along', allowances)).to.deep.equal({ lengthMm: 290, widthMm: 76, heightMm: 67 })
    expect(usableOf(block, 'across', allowances)).to.deep.equal({ lengthMm: 76, widthMm: 290, heightMm: 67 })
  })
})

describe('howMany', () => {
  it('needs a cut between two pieces, and none at the ends', () => {
    expect(howMany(100, 25, 0)).to.equal(4)
    expect(howMany(100, 25, 1)).to.equal(3)
    expect(howMany(103, 25, 1)).to.equal(4)
  })

  it('is none of a length that is too short, or of a piece of nothing', () => {
    expect(howMany(24, 25, 0)).to.equal(0)
    expect(howMany(-5, 25, 0)).to.equal(0)
    expect(howMany(100, 0, 0)).to.equal(0)
  })

  it('are as many as there is room for, and one more would have none', () => {
    const lengths = fc.double({ min: 1, max: 500, noNaN: true })
    fc.assert(
      fc.property(
        lengths,
        fc.double({ min: 5, max: 100, noNaN: true }),
        fc.double({ min: 0, max: 4, noNaN: true }),
        (lengthMm, pieceMm, kerfMm) => {
          const count = howMany(lengthMm, pieceMm, kerfMm)
          expect(roomOf(count, pieceMm, kerfMm)).to.be.at.most(lengthMm + 1e-5)
          expect(roomOf(count + 1, pieceMm, kerfMm)).to.be.above(lengthMm - 1e-5)
        },
      ),
    )
  })
})

describe('how a piece lies in the block', () => {
  it('stands across the log as poured, and lies level turned', () => {
    expect(laid(bar, 'as_poured', 70, 0)).to.deep.include({ acrossMm: 80, alongMm: 25, layers: 1 })
    // Turned, bars of 25 mm lie two over one another in 70 mm, 70 mm along the log.
    expect(laid(bar, 'turned', 70, 0)).to.deep.include({ acrossMm: 80, alongMm: 70, layers: 2 })
    expect(laid(bar, 'turned', 70, 21)).to.deep.include({ layers: 1 })
  })

  it('counts for its volume, and before all others where a number of it is wanted', () => {
    const blockMm3 = volumeOf(block)
    expect(blockMm3).to.equal(300 * 80 * 70)
    expect(laid(bar, 'as_poured', 70, 0, blockMm3).worthMm3).to.equal(80 * 70 * 25)
    expect(laid({ ...bar, wanted: 3 }, 'as_poured', 70, 0, blockMm3).worthMm3).to.be.above(blockMm3)
  })
})

describe('checkPieces', () => {
  const codes = (pieces: readonly Piece[], allowances = none): readonly string[] =>
    checkPieces(block, pieces, allowances).map(({ code }) => code)

  it('takes what can be cut', () => expect(codes([bar, { ...bar, wanted: 4, faceWidthMm: 40 }])).to.deep.equal([]))

  it('asks for a piece, and for no more kinds than a cutter keeps apart', () => {
    expect(codes([])).to.deep.equal(['no_piece'])
    expect(codes([bar, bar, bar, bar, bar])).to.deep.equal(['too_many_kinds'])
  })

  it('names the field of each figure that cannot be', () => {
    const findings = checkPieces(
      block,
      [bar, { ...bar, faceWidthMm: 2, faceHeightMm: 900, thicknessMm: Number.NaN, wanted: 1.5 }],
      { ...none, topMm: -1, kerfMm: 99 },
    )
    expect(findings.map(({ field }) => field)).to.deep.equal([
      'pieces[1].faceWidthMm',
      'pieces[1].faceHeightMm',
      'pieces[1].thicknessMm',
      'pieces[1].wanted',
      'topMm',
      'kerfMm',
    ])
    for (const { severity } of findings) expect(severity).to.equal('refuse')
  })

  it('says when none of them comes out of the block, in its figures', () => {
    const [finding] = checkPieces(block, [{ ...bar, faceWidthMm: 250, faceHeightMm: 100 }], none)
    expect(plainly(finding)).to.equal('none_fits, length 300 mm, width 80 mm, height 70 mm')
  })
})
