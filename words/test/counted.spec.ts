import { expect } from 'chai'
import { counted } from '../src'

describe('a count and what is counted', () => {
  it('is one of it, or several, or none', () => {
    expect([0, 1, 2, 60].map((bars) => counted(bars, 'bar'))).to.deep.equal(['0 bars', '1 bar', '2 bars', '60 bars'])
    expect([1, 4].map((loaves) => counted(loaves, 'loaf', 'loaves'))).to.deep.equal(['1 loaf', '4 loaves'])
  })
})
