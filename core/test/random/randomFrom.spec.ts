import { expect } from 'chai'
import { normalFrom, randomFrom } from '../../src/random'

describe('randomFrom', () => {
  it('gives the same numbers for the same seed, spread evenly from 0 to 1', () => {
    const draw = (seed: number) => Array.from({ length: 4000 }, randomFrom(seed))
    expect(draw(1)).to.deep.equal(draw(1))
    expect(draw(1)).not.to.deep.equal(draw(2))
    const numbers = draw(3)
    expect(Math.min(...numbers)).to.be.at.least(0)
    expect(Math.max(...numbers)).to.be.below(1)
    for (let tenth = 0; tenth < 10; tenth++) {
      const within = numbers.filter((number) => Math.floor(number * 10) === tenth).length
      expect(within).to.be.within(320, 480) // 400 expected, more than four standard deviations
    }
  })
})

describe('normalFrom', () => {
  it('has mean 0, standard deviation 1 and the tails of the normal distribution', () => {
    const random = randomFrom(5)
    const numbers = Array.from({ length: 10_000 }, () => normalFrom(random))
    const mean = numbers.reduce((sum, number) => sum + number, 0) / numbers.length
    const variance = numbers.reduce((sum, number) => sum + (number - mean) ** 2, 0) / numbers.length
    expect(mean).to.be.closeTo(0, 0.04) // four standard errors
    expect(variance).to.be.closeTo(1, 0.06)
    // 2.28 % lie above 2.
    expect(numbers.filter((number) => number > 2).length).to.be.within(168, 288)
  })
})
