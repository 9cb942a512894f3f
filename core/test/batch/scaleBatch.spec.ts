import { expect } from 'chai'
import fc from 'fast-check'
import { lyeSolutionDensity, potG, scaleDesign } from '../../src/batch'
import { fatTable, findFat } from '../../src/fats'
import { isRefused } from '../../src/findings'
import { alkaliFor, naohDemand } from '../../src/recipe'
import { workedMould, workedRecipe, workedSettings, workedSource } from '../blends'
import { plainly } from '../plainly'

describe('lyeSolutionDensity', () => {
  it('gives tabled points and straight lines between', () => {
    expect(lyeSolutionDensity(0)).to.equal(0.9982)
    expect(lyeSolutionDensity(0.32)).to.equal(1.349)
    expect(lyeSolutionDensity(0.33)).to.be.closeTo(1.3593, 1e-9)
    expect(lyeSolutionDensity(0.46)).to.be.closeTo(1.4875, 1e-9)
    expect(lyeSolutionDensity(0.5)).to.equal(1.5253)
  })

  it('does not guess beyond the table', () => {
    expect(() => lyeSolutionDensity(0.51)).to.throw(RangeError, 'Expected concentration from 0 to 0.5')
  })
})

describe('scaleBatch', () => {
  const scaled = () => scaleDesign(workedSource)

  it('gives the worked figures for a loaf of 1200 ml', () => {
    // 1200 / 0.98 = 1224.49 ml, of which 5.17 g of amber (7 g/kg in 0.6 of the batter) at 2.6 g/ml take 1.99;
    // 1222.50 / 1.445338 = 845.82 g of fats: 380.62, 253.75, 211.46.
    expect(scaled().weights.fats.map(({ massG }) => massG)).to.deep.equal([381, 254, 211])
    // From the rounded fats: (381·190 + 254·257 + 211·180)/1000 = 175.648 g KOH · 0.712888 · 0.95 = 118.96 g.
    expect(scaled().weights.naohG).to.equal(119)
    // 119 · 0.67 / 0.33 = 241.6 g.
    expect(scaled().weights.waterG).to.equal(242)
    // 846 · 0.03 = 25.38 g.
    expect(scaled().weights.scentG).to.equal(25)
    expect(scaled().weights.batterG).to.equal(1232)
    expect(scaled().densityGMl).to.be.closeTo(1.00741, 0.00001)
  })

  it('refuses what no scale weighs, reckoned for what one does', () => {
    // Fifty loaves of 250 × 200 × 90 mm hold 225 l.
    const wide = { ...workedMould, lengthMm: 250, widthMm: 200, heightMm: 100, fillHeightMm: 90 }
    const design = { ...workedSource.design, mouldCount: 50 }
    const { findings, weights } = scaleDesign({ ...workedSource, design, mould: wide })
    const told = findings.find(({ code }) => code === 'batch_too_large')
    expect(told).to.deep.include({ severity: 'refuse', field: 'mouldCount' })
    expect(weights.fatsG).to.be.closeTo(100_000, 2)
  })

  it('counts bars, says what is missing and how thick they would have to be', () => {
    expect(scaled().bars).to.equal(10)
    expect(scaled().barsOver).to.equal(-2)
    expect(scaled().thicknessForWishMm).to.be.closeTo(20.8333, 0.0001)
    // 80 × 60 × 25 mm = 120 ml of (1231.55 + 5.17) g in 1224.49 ml
    expect(scaled().barWetG).to.be.closeTo(121.2, 0.01)
    expect(scaled().barCuredG).to.be.closeTo(107.87, 0.01)
    expect(scaled().findings.map(({ code }) => code)).to.deep.equal(['bars_short'])
    expect(plainly(scaled().findings[0])).to.equal(
      'bars_short, missing 2, wanted 12, mend (cut_thinner_or_fill_another, thickness 20.8333)',
    )
  })

  it('doubles for two moulds', () => {
    const two = scaleDesign({ ...workedSource, design: { ...workedSource.design, mouldCount: 2 } })
    expect(two.bars).to.equal(20)
    expect(two.mouldsMl).to.equal(2400)
    expect(two.weights.fatsG).to.be.closeTo(2 * 845.8, 1.5)
  })

  it('warns when a cured bar will not reach its label', () => {
    const heavy = scaleDesign({ ...workedSource, design: { ...workedSource.design, labelMassG: 110, barsWanted: 10 } })
    expect(heavy.findings.map(({ code }) => code)).to.deep.equal(['bar_below_label'])
  })

  it('refuses a scent above its limit', () => {
    const scent = { name: 'Amber blend', rate: 0.06, supplierLimit: 0.02 }
    const strong = scaleDesign({ ...workedSource, design: { ...workedSource.design, scent } })
    expect(isRefused(strong.findings)).to.equal(true)
  })

  it('refuses a fat that the scale cannot show', () => {
    const tiny = { ...workedMould, lengthMm: 40, widthMm: 40, heightMm: 40, fillHeightMm: 1 }
    const small = scaleDesign({ ...workedSource, mould: tiny, settings: { ...workedSettings, scaleResolutionG: 10 } })
    expect(small.findings.filter(({ code }) => code === 'below_scale')).to.have.length(3)
    expect(small.weights.fatsG).to.equal(0)
  })

  it('gives the lightest bar of several kinds of mould, and no one thickness for them', () => {
    const thin = { ...workedMould, barThicknessMm: 20 }
    for (const [mould, other] of [
      [workedMould, thin],
      [thin, workedMould],
    ] as const) {
      const both = scaleDesign({ ...workedSource, mould, more: [{ mould: other, count: 1 }] })
      // 96 ml of 1236.73 g in 1224.49 ml; 10 bars of 25 mm and 12 of 20 mm.
      expect(both.barWetG).to.be.closeTo(96.96, 0.01)
      expect(both.barCuredG).to.be.closeTo(86.29, 0.01)
      expect([both.bars, both.thicknessForWishMm]).to.deep.equal([22, undefined])
      expect(both.barsPerLoaf).to.equal(mould === thin ? 12 : 10)
    }
  })

  it('tells how thick bars have to be where several moulds share them, and what else mends it', () => {
    const wished = (mouldCount: number, barsWanted: number) =>
      scaleDesign({ ...workedSource, design: { ...workedSource.design, mouldCount, barsWanted } })
    // 25 bars of two loaves: 13 of each.
    expect(wished(2, 25).thicknessForWishMm).to.be.closeTo(250 / 13, 1e-9)
    expect(plainly(wished(1, 60).findings.find(({ code }) => code === 'bars_short'))).to.equal(
      'bars_short, missing 50, wanted 60, mend (fill_another_mould)',
    )
    expect(wished(1, 10).findings).to.deep.equal([])
    expect(wished(50, 1).bars).to.equal(500)
    expect(() => wished(51, 1)).to.throw(RangeError, 'Expected mouldCount from 1 to 50')
  })

  it('has the recipe’s superfat where nothing is weighed, and the batch’s where something is', () => {
    expect(scaled().band.likely).to.be.closeTo(0.0497, 0.0001)
    const nothing = scaleDesign({ ...workedSource, design: { ...workedSource.design, displacedMl: 5000 } })
    expect(nothing.band).to.deep.equal({ worst: 0.05, likely: 0.05, best: 0.05 })
  })

  it('throws on settings out of range', () => {
    const settings = { ...workedSettings, potLoss: 1 }
    expect(() => scaleDesign({ ...workedSource, settings })).to.throw(RangeError, 'Expected potLoss from 0 to 0.2')
    expect(() => scaleDesign({ ...workedSource, design: { ...workedSource.design, mouldCount: 0 } })).to.throw(
      RangeError,
      'Expected mouldCount',
    )
  })

  it('never weighs more lye than the rounded fats can take, on any scale, and adds up to the gram', () => {
    const keys = fc.uniqueArray(fc.constantFrom(...fatTable.map(({ key }) => key)), { minLength: 1, maxLength: 6 })
    const steps = fc.constantFrom(0.1, 1, 2, 5, 10)
    fc.assert(
      fc.property(
        keys,
        steps,
        fc.double({ min: 0, max: 0.1, noNaN: true }),
        fc.integer({ min: 80, max: 600 }),
        (fatKeys, scaleResolutionG, superfat, lengthMm) => {
          const recipe = {
            ...workedRecipe,
            superfat,
            fats: fatKeys.map((fatKey) => ({ fatKey, share: 1 / fatKeys.length })),
          }
          const { weights, band } = scaleDesign({
            ...workedSource,
            recipe,
            mould: { ...workedMould, lengthMm },
            settings: { ...workedSettings, scaleResolutionG },
          })
          expect(weights.naohG).to.be.at.most(naohDemand(weights.fats, 'typical') + 1e-6)
          expect(band.likely).to.be.at.least(-1e-9)
          const sum = weights.fatsG + weights.naohG + weights.waterG + weights.scentG
          expect(weights.batterG).to.be.closeTo(sum, 1e-6)
          expect(weights.pots.reduce((total, pot) => total + potG(pot), 0)).to.be.closeTo(weights.batterG, 1e-6)
        },
      ),
    )
  })

  it('scales up and down with the same recipe', () => {
    const settings = { ...workedSettings, scaleResolutionG: 0.01 }
    const grow = (lengthMm: number) =>
      scaleDesign({ ...workedSource, settings, mould: { ...workedMould, lengthMm } }).weights
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 700 }), (lengthMm) => {
        const small = grow(lengthMm)
        const large = grow(lengthMm * 2)
        expect(large.fatsG / 2).to.be.closeTo(small.fatsG, 0.05)
        expect(large.naohG / 2).to.be.closeTo(small.naohG, 0.02)
      }),
    )
  })
})

describe('alkaliFor', () => {
  it('goes down, not up, where rounding up would exceed the fats', () => {
    const olive = findFat('olive')
    if (!olive) throw new Error('olive')
    // 1000 g · 190/1000 · 0.712888 = 135.4487 g; a scale in steps of 10 g must give 130, not 140.
    const lye = alkaliFor([{ fat: olive, massG: 1000 }], { ...workedRecipe, superfat: 0 }, 10)
    expect(lye.naohG).to.equal(130)
  })
})
