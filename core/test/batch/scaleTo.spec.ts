import { expect } from 'chai'
import fc from 'fast-check'
import type { ScaleAim } from '../../src/batch'
import { mouldsFor, scaleDesign } from '../../src/batch'
import { workedMould, workedRecipe, workedSettings, workedSource } from '../blends'
import { plainly } from '../plainly'

const design = { ...workedSource.design, scent: null, colours: [] }
const scaledFor = (aim: ScaleAim, mould = workedMould, count = 1) => {
  const { kinds, findings } = mouldsFor(aim, [{ mould, count }], workedRecipe, workedSettings)
  const [first] = kinds
  if (!first) throw new Error('a mould')
  const source = { ...workedSource, design: { ...design, mouldCount: first.count }, mould: first.mould }
  return { ...scaleDesign(source), mould: first.mould, count: first.count, findings }
}

describe('mouldsFor', () => {
  it('takes as many moulds as the bars need', () => {
    // Ten bars a loaf.
    expect(scaledFor({ by: 'bars', bars: 24 }).count).to.equal(3)
    expect(scaledFor({ by: 'bars', bars: 30 }).bars).to.equal(30)
  })

  it('fills to the mass on the label', () => {
    // At 60 mm a bar of 120 ml; unscented batter weighs 1.426048 / 1.413759 = 1.008692 g/ml: cured 107.73 g.
    const { mould, barCuredG } = scaledFor({ by: 'label', labelMassG: 100 })
    expect(mould.fillHeightMm).to.be.closeTo(60 / 1.0773, 0.01)
    expect(barCuredG).to.be.closeTo(100, 1e-6)
  })

  it('says which cut reaches the label where the brim is too low', () => {
    const { mould, findings } = scaledFor({ by: 'label', labelMassG: 150 })
    expect(mould.fillHeightMm).to.equal(70)
    // 25 mm · 150 / 107.73
    expect(plainly(findings[0])).to.equal('brim_stays_lighter, brim 70 mm, thickness 34.8')
  })

  it('cuts a cylinder to the label, and lets a tray be', () => {
    const cylinder = { ...workedMould, shape: 'cylinder' as const, measuredMl: null }
    const { mould, barCuredG } = scaledFor({ by: 'label', labelMassG: 90 }, cylinder)
    expect(mould.fillHeightMm).to.equal(60)
    expect(barCuredG).to.be.closeTo(90, 0.3)
    const tray = { ...workedMould, shape: 'cavities' as const, cavityCount: 6, cavityMl: 90 }
    expect(scaledFor({ by: 'label', labelMassG: 120 }, tray).findings[0]?.code).to.equal('cavities_set_bar_mass')
  })

  it('fills the moulds with a mass of batter, and with the fat that is left', () => {
    // 2000 g · 0.98 / 1.008692 g/ml = 1943.1 ml in two loaves of 1200 ml at 60 mm: 48.58 mm.
    const byMass = scaledFor({ by: 'mass', batterG: 2000 }, workedMould, 2)
    expect(byMass.mould.fillHeightMm).to.be.closeTo(48.58, 0.01)
    expect(byMass.weights.batterG).to.be.closeTo(2000, 2)
    const byFat = scaledFor({ by: 'fat', fatKey: 'coconut', massG: 300 })
    expect(byFat.weights.fats[1]?.massG).to.equal(300)
    // 300 g are 30 % of 1000 g, which make 1413.8 ml: 1385.5 ml in the mould, 69.3 mm of its 70.
    expect(byFat.mould.fillHeightMm).to.be.closeTo(69.27, 0.01)
  })

  it('says how much does not fit, and when there is too little', () => {
    const over = scaledFor({ by: 'mass', batterG: 3000 })
    expect(over.mould.fillHeightMm).to.equal(70)
    // 3000 g · 0.98 / 1.008692 = 2914.7 ml, of which 1400 fit.
    expect(plainly(over.findings[0])).to.match(/^moulds_too_small, left 1514.7 ml$/)
    expect(
      mouldsFor({ by: 'mass', batterG: 5 }, [{ mould: workedMould, count: 1 }], workedRecipe, workedSettings).findings,
    )
      .to.have.nested.property('[0].code')
      .that.equals('too_little_batter')
  })

  it('fills as many cavities of a tray as the batter gives', () => {
    const tray = { ...workedMould, shape: 'cavities' as const, cavityCount: 12, cavityMl: 100 }
    // 700 g · 0.98 / 1.008692 = 680 ml: six cavities, and 80 ml over.
    const { bars, findings } = scaledFor({ by: 'mass', batterG: 700 }, tray)
    expect(bars).to.equal(6)
    expect(plainly(findings[0])).to.equal('moulds_too_small, left 80.1 ml')
  })

  it('comes back to the recipe, up and down again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 70, noNaN: true }),
        fc.integer({ min: 1, max: 4 }),
        (fillHeightMm, count) => {
          const up = scaleDesign({
            ...workedSource,
            design: { ...design, mouldCount: count },
            mould: { ...workedMould, fillHeightMm },
          })
          const down = scaledFor({ by: 'mass', batterG: up.weights.batterG }, workedMould, count)
          // A batch of a few hundred grams, each figure rounded to the gram.
          expect(down.mould.fillHeightMm).to.be.closeTo(fillHeightMm, 0.6)
          down.weights.fats.forEach(({ massG }, index) => {
            const share = workedRecipe.fats[index]?.share ?? 0
            expect(massG / down.weights.fatsG).to.be.closeTo(share, 2 / down.weights.fatsG)
          })
        },
      ),
    )
  })
})
