import { expect } from 'chai'
import fc from 'fast-check'
import { naohForFats, waterForLye } from '../../src/recipe'

const olive = { massG: 1000, saponificationValue: 190 }

describe('naohForFats', () => {
  it('gives the worked figure: 190 g KOH · 39.997 / 56.1056 · 0.95', () => {
    expect(naohForFats([olive], { superfat: 0.05 })).to.be.closeTo(128.68, 0.005)
  })

  it('takes more of weaker flakes', () => {
    expect(naohForFats([olive], { superfat: 0, naohPurity: 0.98 })).to.be.closeTo(135.4487 / 0.98, 0.001)
  })

  it('needs nothing for no fats', () => {
    expect(naohForFats([], { superfat: 0.05 })).to.equal(0)
  })

  it('throws on what no fat, mass, superfat or purity can be', () => {
    expect(() => naohForFats([{ ...olive, massG: -1 }], { superfat: 0.05 })).to.throw(
      RangeError,
      'Expected massG from 0',
    )
    expect(() => naohForFats([{ ...olive, saponificationValue: 0.19 }], { superfat: 0.05 })).to.throw(
      RangeError,
      'Expected saponificationValue from 50 to 400, got 0.19',
    )
    expect(() => naohForFats([olive], { superfat: -0.01 })).to.throw(RangeError, 'Expected superfat from 0 to 0.3')
    expect(() => naohForFats([olive], { superfat: 0.05, naohPurity: 1.4 })).to.throw(RangeError, 'Expected naohPurity')
    expect(() => naohForFats([olive], { superfat: Number.NaN })).to.throw(RangeError, 'got NaN')
  })

  it('asks the same of two half portions as of one whole, and less with more superfat', () => {
    const mass = fc.double({ min: 0.1, max: 5000, noNaN: true })
    const value = fc.double({ min: 80, max: 360, noNaN: true })
    fc.assert(
      fc.property(mass, value, fc.double({ min: 0, max: 0.3, noNaN: true }), (massG, saponificationValue, superfat) => {
        const half = { massG: massG / 2, saponificationValue }
        const whole = naohForFats([{ massG, saponificationValue }], { superfat })
        expect(naohForFats([half, half], { superfat })).to.be.closeTo(whole, 1e-6)
        expect(whole).to.be.at.most(naohForFats([{ massG, saponificationValue }], { superfat: 0 }) + 1e-9)
      }),
    )
  })
})

describe('waterForLye', () => {
  it('brings the lye to its concentration', () => {
    expect(waterForLye(100, 0.4)).to.be.closeTo(150, 1e-9)
    expect(waterForLye(119, 0.33)).to.be.closeTo(241.606, 0.001)
    expect(waterForLye(100, 0.5)).to.equal(100)
  })

  it('throws outside the range in which lye dissolves', () => {
    expect(() => waterForLye(100, 0.51)).to.throw(RangeError, 'Expected lyeConcentration from 0.2 to 0.5')
    expect(() => waterForLye(-1, 0.4)).to.throw(RangeError, 'Expected naohG')
  })
})
