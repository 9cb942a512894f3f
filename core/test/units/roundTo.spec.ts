import { expect } from 'chai'
import { roundTo } from '../../src/units'

describe('roundTo', () => {
  it('reads as the decimal figure, without the dust of a sum', () => {
    expect(roundTo(0.1 + 0.2, 6)).to.equal(0.3)
    expect(roundTo(1234.5678, 1)).to.equal(1234.6)
    expect(roundTo(-7.26, 1)).to.equal(-7.3)
    expect(roundTo(99.5, 0)).to.equal(100)
  })

  it('is never minus nothing, and passes on what is no number', () => {
    expect(Object.is(roundTo(-0.0001, 2), 0)).to.equal(true)
    expect(roundTo(Number.NaN, 2)).to.deep.equal(Number.NaN)
  })

  it('refuses digits that there cannot be', () => {
    expect(() => roundTo(1, -1)).to.throw(RangeError)
    expect(() => roundTo(1, 101)).to.throw(RangeError)
  })
})
