import { expect } from 'chai'
import fc from 'fast-check'
import { assertWithin, floorToScale, isWithin, roundToScale } from '../../src/units'

describe('roundToScale', () => {
  it('rounds to the nearest step of the scale', () => {
    expect(roundToScale(119.078, 1)).to.equal(119)
    expect(roundToScale(119.078, 0.1)).to.equal(119.1)
    expect(roundToScale(119.078, 5)).to.equal(120)
  })

  it('goes down to the step below', () => {
    expect(floorToScale(119.99, 1)).to.equal(119)
    expect(floorToScale(0.3, 0.1)).to.equal(0.3)
  })

  it('throws on a scale that there is not', () => {
    expect(() => roundToScale(10, 0)).to.throw(RangeError, 'Expected resolutionG from 0.01 to 50, got 0')
    expect(() => floorToScale(10, Number.NaN)).to.throw(RangeError, 'got NaN')
  })

  it('is never further off than half a step, and its floor never above', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20_000, noNaN: true }),
        fc.constantFrom(0.01, 0.1, 0.5, 1, 2, 5),
        (massG, step) => {
          expect(Math.abs(roundToScale(massG, step) - massG)).to.be.at.most(step / 2 + 1e-6)
          expect(floorToScale(massG, step)).to.be.at.most(massG + 1e-6)
        },
      ),
    )
  })
})

describe('assertWithin', () => {
  it('accepts both ends and refuses NaN', () => {
    expect(isWithin(0, { min: 0, max: 1 })).to.equal(true)
    expect(isWithin(1, { min: 0, max: 1 })).to.equal(true)
    expect(isWithin(Number.NaN, { min: 0, max: 1 })).to.equal(false)
    expect(() => assertWithin('superfat', -0.01, { min: 0, max: 1 })).to.throw(
      'Expected superfat from 0 to 1, got -0.01',
    )
  })
})
