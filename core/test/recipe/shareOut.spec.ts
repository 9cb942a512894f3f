import { expect } from 'chai'
import fc from 'fast-check'
import { evenShares, inProportion, withOneMore, withoutOne } from '../../src/recipe'

const sum = (shares: readonly number[]): number => shares.reduce((total, share) => total + share, 0)
const someWhole = fc
  .array(fc.integer({ min: 1, max: 100 }), { minLength: 1, maxLength: 11 })
  .map((parts) => inProportion(parts, 1))

describe('shares of a whole', () => {
  it('are even, and add up', () => {
    expect(evenShares(3)).to.deep.equal([0.3334, 0.3333, 0.3333])
    expect(evenShares(1)).to.deep.equal([1])
    expect(() => evenShares(0)).to.throw(RangeError, 'Expected a whole number from 1, got 0')
  })

  it('give one more what they leave, or make room for it', () => {
    expect(withOneMore([])).to.deep.equal([1])
    expect(withOneMore([0.6])).to.deep.equal([0.6, 0.4])
    expect(withOneMore([1])).to.deep.equal([0.5, 0.5])
    expect(withOneMore([0.6, 0.4])).to.deep.equal([0.4, 0.2667, 0.3333])
  })

  it('take up the part of one that goes', () => {
    expect(withoutOne([0.6, 0.2, 0.2], 0)).to.deep.equal([0.5, 0.5])
    expect(withoutOne([0.6, 0.2], 0)).to.deep.equal([0.2])
    expect(withoutOne([1], 0)).to.deep.equal([])
  })

  it('stay a whole, however many come and go', () => {
    fc.assert(
      fc.property(someWhole, fc.nat(), (shares, at) => {
        const more = withOneMore(shares)
        expect(more).to.have.length(shares.length + 1)
        expect(sum(more)).to.be.closeTo(1, 1e-9)
        expect(Math.min(...more)).to.be.above(0)
        if (shares.length > 1) expect(sum(withoutOne(shares, at % shares.length))).to.be.closeTo(1, 1e-9)
      }),
    )
  })
})
