import { expect } from 'chai'
import fc from 'fast-check'
import { pourParts } from '../../src/batch'

const wish = { mouldId: 'long', mouldsAtHand: 2, barsWanted: 60, barsPerLoaf: 18, barThicknessMm: 25 }

describe('pourParts', () => {
  it('makes 60 bars in moulds of 18 four loaves, two to a pour where there are two moulds', () => {
    // 60 / 18 = 3.3: four loaves, 36 bars of the first two, and the 24 that are left.
    expect(pourParts(wish)).to.deep.equal([
      { mouldId: 'long', mouldCount: 2, barsWanted: 36, barThicknessMm: 25 },
      { mouldId: 'long', mouldCount: 2, barsWanted: 24, barThicknessMm: 25 },
    ])
  })

  it('fills the pours evenly, the fuller first', () => {
    const loaves = (barsWanted: number, mouldsAtHand: number): readonly number[] =>
      pourParts({ ...wish, barsWanted, mouldsAtHand }).map(({ mouldCount }) => mouldCount)
    expect(loaves(90, 2)).to.deep.equal([2, 2, 1])
    expect(loaves(72, 3)).to.deep.equal([2, 2])
    expect(loaves(18, 3)).to.deep.equal([1])
    expect(loaves(0, 3)).to.deep.equal([])
  })

  it('refuses what is no count', () => {
    for (const wrong of [{ mouldsAtHand: 0 }, { barsPerLoaf: 0 }, { barsWanted: -1 }, { barsWanted: 1.5 }])
      expect(() => pourParts({ ...wish, ...wrong }), JSON.stringify(wrong)).to.throw(RangeError)
  })

  it('wants every bar once, in no more moulds than there are and no more pours than they need', () => {
    const count = (min: number, max: number) => fc.integer({ min, max })
    fc.assert(
      fc.property(count(1, 5000), count(1, 50), count(1, 80), (barsWanted, mouldsAtHand, barsPerLoaf) => {
        const parts = pourParts({ ...wish, barsWanted, mouldsAtHand, barsPerLoaf })
        const loaves = parts.map(({ mouldCount }) => mouldCount)
        expect(parts.reduce((sum, part) => sum + part.barsWanted, 0)).to.equal(barsWanted)
        expect(loaves.reduce((sum, one) => sum + one, 0)).to.equal(Math.ceil(barsWanted / barsPerLoaf))
        expect(parts).to.have.length(Math.ceil(Math.ceil(barsWanted / barsPerLoaf) / mouldsAtHand))
        expect(Math.max(...loaves)).to.be.at.most(mouldsAtHand)
        expect(Math.max(...loaves) - Math.min(...loaves)).to.be.at.most(1)
        for (const part of parts) expect(part.barsWanted).to.be.within(0, part.mouldCount * barsPerLoaf)
      }),
    )
  })
})
