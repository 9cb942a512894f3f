import { expect } from 'chai'
import fc from 'fast-check'
import type { ScaleAim } from '../../src/batch'
import { mouldsFor, scaleDesign } from '../../src/batch'
import type { Mould } from '../../src/mould'
import { workedMould, workedRecipe, workedSettings, workedSource } from '../blends'
import { plainly } from '../plainly'

const design = { ...workedSource.design, scent: null, colours: [] }
const scaledFor = (aim: ScaleAim, mould: Mould & typeof workedMould = workedMould, count = 1) => {
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

  it('counts what the other kinds give, and fills no less than one of the first', () => {
    const small = { ...workedMould, lengthMm: 125 }
    const aimed = (bars: number) =>
      mouldsFor(
        { by: 'bars', bars },
        [
          { mould: workedMould, count: 1 },
          { mould: small, count: 2 },
        ],
        workedRecipe,
        workedSettings,
      )
    // Two small ones give five bars each.
    expect([41, 40, 10, 3].map((bars) => aimed(bars).kinds.map(({ count }) => count))).to.deep.equal([
      [4, 2],
      [3, 2],
      [1, 2],
      [1, 2],
    ])
    const barless = mouldsFor(
      { by: 'bars', bars: 5 },
      [{ mould: { ...workedMould, lengthMm: 20 }, count: 2 }],
      workedRecipe,
      workedSettings,
    )
    expect(barless.findings.map(({ code }) => code)).to.deep.equal(['mould_gives_no_bar'])
    expect(barless.kinds.map(({ count }) => count)).to.deep.equal([2])
  })

  it('leaves moulds alone that are filled as usual', () => {
    const kinds = [{ mould: workedMould, count: 2 }]
    expect(mouldsFor({ by: 'moulds' }, kinds, workedRecipe, workedSettings)).to.deep.equal({ kinds, findings: [] })
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
    // 90 ml · 1.008692 · 0.89 = 80.8 g: within 2 % of 80 and of 82, not of 79.
    expect(
      [79, 80, 82, 83].map((labelMassG) => scaledFor({ by: 'label', labelMassG }, tray).findings.length),
    ).to.deep.equal([1, 0, 0, 1])
    expect(scaledFor({ by: 'label', labelMassG: 900 }, cylinder).findings[0]?.code).to.equal('no_cut_of_log_fits')
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
    // Measured at 1080 ml for twelve: seven cavities of 90 ml.
    const measured = scaledFor({ by: 'mass', batterG: 700 }, { ...tray, measuredMl: 1080 })
    expect([measured.mould.cavityCount, measured.mould.measuredMl]).to.deep.equal([7, 630])
    expect(scaledFor({ by: 'mass', batterG: 30 }, tray).findings.map(({ code }) => code)).to.deep.equal([
      'too_little_batter',
    ])
    expect(scaledFor({ by: 'mass', batterG: 1240 }, tray).bars).to.equal(12)
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
