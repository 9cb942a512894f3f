import { expect } from 'chai'
import fc from 'fast-check'
import { findFat } from '../../src/fats'
import { alkaliFor, lyeFor, naohForPortions } from '../../src/recipe'
import { workedRecipe } from '../blends'

const olive = { massG: 1000, saponificationValue: 190 }

describe('naohForPortions', () => {
  it('gives the worked figure: 190 g KOH · 39.997 / 56.1056', () => {
    expect(naohForPortions([olive])).to.be.closeTo(135.4487, 0.001)
  })

  it('needs nothing for no fats', () => {
    expect(naohForPortions([])).to.equal(0)
  })

  it('throws on what no fat or mass can be', () => {
    expect(() => naohForPortions([{ ...olive, massG: -1 }])).to.throw(RangeError, 'Expected massG from 0')
    expect(() => naohForPortions([{ ...olive, massG: Number.NaN }])).to.throw(RangeError, 'got NaN')
    expect(() => naohForPortions([{ ...olive, saponificationValue: 0.19 }])).to.throw(
      RangeError,
      'Expected saponificationValue from 50 to 400, got 0.19',
    )
  })

  it('asks the same of two half portions as of one whole', () => {
    const mass = fc.double({ min: 0.1, max: 5000, noNaN: true })
    const value = fc.double({ min: 80, max: 360, noNaN: true })
    fc.assert(
      fc.property(mass, value, (massG, saponificationValue) => {
        const half = { massG: massG / 2, saponificationValue }
        expect(naohForPortions([half, half])).to.be.closeTo(naohForPortions([{ massG, saponificationValue }]), 1e-6)
      }),
    )
  })
})

describe('alkaliFor and lyeFor', () => {
  const kilo = [{ fat: findFat('olive')!, massG: 1000 }]

  it('leave the superfat, and take more of weaker flakes', () => {
    const plain = { ...workedRecipe, naohPurity: 1 }
    const whole = naohForPortions([{ massG: 1000, saponificationValue: kilo[0]!.fat.saponificationValue.typical }])
    expect(alkaliFor(kilo, plain).naohG).to.be.closeTo(whole * 0.95, 1e-9)
    expect(alkaliFor(kilo, { ...plain, naohPurity: 0.98 }).naohG).to.be.closeTo((whole * 0.95) / 0.98, 1e-9)
  })

  it('bring the lye to its concentration', () => {
    const { naohG, allWaterG } = lyeFor(kilo, { ...workedRecipe, lyeConcentration: 0.4 })
    expect(allWaterG / naohG).to.be.closeTo(1.5, 1e-9)
  })

  it('throw on a superfat, a purity, a share or a concentration that no recipe may have', () => {
    expect(() => alkaliFor(kilo, { ...workedRecipe, superfat: -0.01 })).to.throw(
      RangeError,
      'Expected superfat from 0 to 0.3',
    )
    expect(() => alkaliFor(kilo, { ...workedRecipe, superfat: Number.NaN })).to.throw(RangeError, 'got NaN')
    expect(() => alkaliFor(kilo, { ...workedRecipe, naohPurity: 1.4 })).to.throw(RangeError, 'Expected naohPurity')
    expect(() => alkaliFor(kilo, { ...workedRecipe, kohShare: 0.9 })).to.throw(RangeError, 'Expected kohShare')
    expect(() => alkaliFor(kilo, { ...workedRecipe, kohPurity: 0.1 })).to.throw(RangeError, 'Expected kohPurity')
    expect(() => lyeFor(kilo, { ...workedRecipe, lyeConcentration: 0.51 })).to.throw(
      RangeError,
      'Expected lyeConcentration from 0.2 to 0.5',
    )
  })
})
