import { expect } from 'chai'
import { fatTable } from '../../src/fats'
import { isRefused } from '../../src/findings'
import type { Recipe } from '../../src/recipe'
import {
  alkaliFor,
  asPureNaohG,
  checkRecipe,
  checkScent,
  lyeFor,
  naohDemand,
  recipeFigures,
  scentLimit,
  scentWeights,
  shareTolerance,
  superfatBand,
  withMass,
  withShare,
} from '../../src/recipe'
import { plainly } from '../plainly'

const olive = fatTable.find(({ key }) => key === 'olive')
const coconut = fatTable.find(({ key }) => key === 'coconut')
if (!olive || !coconut) throw new Error('Expected olive and coconut in the table')
const recipe: Recipe = {
  fats: [
    { fatKey: 'olive', share: 0.7 },
    { fatKey: 'coconut', share: 0.3 },
  ],
  superfat: 0.05,
  lyeConcentration: 0.33,
  naohPurity: 0.98,
  kohShare: 0.25,
  kohPurity: 0.9,
}
const fats = [
  { fat: olive, massG: 700 },
  { fat: coconut, massG: 300 },
]
// Saponification values as the table has them, in g of KOH a gram.
const kohG = (700 * olive.saponificationValue.typical + 300 * coconut.saponificationValue.typical) / 1000
const naohG = (kohG * 39.997) / 56.1056

describe('two alkalis reckoned by hand', () => {
  it('divide each share by its own purity', () => {
    const alkali = alkaliFor(fats, recipe)
    expect(alkali.naohG).to.be.closeTo((naohG * 0.95 * 0.75) / 0.98, 1e-9)
    expect(alkali.kohG).to.be.closeTo((kohG * 0.95 * 0.25) / 0.9, 1e-9)
    expect(asPureNaohG(alkali, recipe)).to.be.closeTo(naohG * 0.95, 1e-9)
    expect(superfatBand(fats, asPureNaohG(alkali, recipe)).likely).to.be.closeTo(0.05, 1e-12)
  })

  it('count the purity of the flakes in the superfat they leave', () => {
    expect(superfatBand(fats, naohG * 0.95).likely).to.be.closeTo(0.05, 1e-12)
    expect(() => superfatBand([], 0)).to.throw(RangeError, 'Expected fats that weigh more than 0 g')
  })

  it('stand on the scale’s step, and never above what the fats take', () => {
    for (const stepG of [1, 5, 0.1]) {
      const { naohG: flakesG, kohG: secondG } = alkaliFor(fats, { ...recipe, superfat: 0 }, stepG)
      expect(Math.abs(flakesG / stepG - Math.round(flakesG / stepG))).to.be.below(1e-6)
      expect(Math.abs(secondG / stepG - Math.round(secondG / stepG))).to.be.below(1e-6)
      expect(flakesG).to.be.within((naohG * 0.75) / 0.98 - 2 * stepG, (naohG * 0.75) / 0.98 + stepG)
      expect(asPureNaohG({ naohG: flakesG, kohG: secondG }, recipe)).to.be.at.most(naohDemand(fats, 'typical') + 1e-9)
    }
  })

  it('are dissolved in water by the mass of both', () => {
    const lye = lyeFor(fats, recipe, 1)
    const bothG = lye.naohG + lye.kohG
    expect(lye.allWaterG).to.equal(Math.round((bothG * 0.67) / 0.33))
    const milk = { name: 'Goat milk', waterShare: 0.87, partOfWater: 0.5, place: 'lye' as const, contains: [] }
    const withMilk = lyeFor(fats, { ...recipe, liquids: [milk] }, 1)
    expect(withMilk.liquids[0]?.massG).to.equal(Math.round((lye.allWaterG * 0.5) / 0.87))
    expect(withMilk.plainWaterG).to.equal(Math.round(lye.allWaterG - (withMilk.liquids[0]?.massG ?? 0) * 0.87))
  })

  it('are figures that add up to the batter', () => {
    const milk = { name: 'Goat milk', waterShare: 0.87, partOfWater: 0.5, place: 'lye' as const, contains: [] }
    const clay = {
      name: 'Clay',
      basis: 'batter' as const,
      rate: 0.01,
      place: 'trace' as const,
      wetting: null,
      contains: [],
    }
    const figures = recipeFigures({ ...recipe, liquids: [milk], additives: [clay] }, 1000)
    const bothG = figures.naohG + figures.kohG
    const batterG = 1000 + bothG + figures.plainWaterG + (figures.liquids[0]?.massG ?? 0)
    expect(figures.additives[0]?.massG).to.be.closeTo(batterG * 0.01, 0.051)
    expect(figures.water.shareOfFats).to.be.closeTo(((bothG / 1000) * 0.67) / 0.33, 1e-9)
  })
})

describe('the ends of what a recipe may be', () => {
  const codes = (more: Partial<Recipe>) => checkRecipe({ ...recipe, ...more }).map(({ code }) => code)
  const line = (share: number) => [{ fatKey: 'olive', share }]
  const milk = (more: object) => [
    { name: 'Milk', waterShare: 0.87, partOfWater: 0.5, place: 'lye' as const, contains: [], ...more },
  ]

  it('is a sum of shares within its tolerance, and no wider', () => {
    expect(codes({ fats: line(1 - shareTolerance * 0.9) })).to.deep.equal([])
    expect(codes({ fats: line(1 - shareTolerance * 2) })).to.deep.equal(['shares_short'])
    const over = [...line(0.6), { fatKey: 'coconut', share: 0.4 + shareTolerance * 2 }]
    expect(codes({ fats: over })).to.deep.equal(['shares_over'])
    expect(codes({ fats: line(1.2) })).to.include('share_range')
    expect(codes({ fats: [...line(1), { fatKey: 'coconut', share: 0 }] })).to.include('share_range')
  })

  it('is liquid that brings some of the water, and all of it at the most', () => {
    expect(codes({ liquids: milk({ partOfWater: 1 }) })).to.deep.equal(['liquid_brings_fat'])
    expect(codes({ liquids: milk({ partOfWater: 0 }) })).to.deep.equal(['part_of_water_range'])
    expect(codes({ liquids: milk({ partOfWater: 1.01 }) })).to.deep.equal(['part_of_water_range'])
    const both = [...milk({ partOfWater: 0.6 }), ...milk({ name: 'Tea', partOfWater: 0.5 })]
    const [finding] = checkRecipe({ ...recipe, liquids: both })
    expect(plainly(finding)).to.equal('too_much_liquid, brought 110 %, over 10 %')
    const whole = [...milk({ partOfWater: 0.5 }), ...milk({ name: 'Tea', partOfWater: 0.5 })]
    expect(codes({ liquids: whole })).to.deep.equal(['liquid_brings_fat'])
  })

  it('is an additive by the bar in grams, by fats or batter in percent', () => {
    const of = (basis: 'bar' | 'fats') =>
      plainly(
        checkRecipe({
          ...recipe,
          additives: [{ name: '', basis, rate: 99_999, place: 'trace', wetting: null, contains: [] }],
        })[0],
      )
    expect(of('bar')).to.match(/^additive_range_bar, additive \(unnamed_additive\), most \d+$/)
    expect(of('fats')).to.match(/^additive_range, additive \(unnamed_additive\), most \d+ %$/)
  })

  it('is half of the fats at trace, and no more', () => {
    const fatsAt = (share: number) => [
      { fatKey: 'olive', share: 1 - share },
      { fatKey: 'coconut', share, atTrace: true },
    ]
    expect(codes({ fats: fatsAt(0.5) })).not.to.include('too_much_at_trace')
    expect(codes({ fats: fatsAt(0.51) })).to.include('too_much_at_trace')
  })

  it('is its range’s ends themselves', () => {
    expect(isRefused(checkRecipe({ ...recipe, lyeConcentration: 0.5 }))).to.equal(false)
    expect(isRefused(checkRecipe({ ...recipe, lyeConcentration: 0.501 }))).to.equal(true)
    expect(isRefused(checkRecipe({ ...recipe, superfat: 0 }))).to.equal(false)
    expect(isRefused(checkRecipe({ ...recipe, superfat: -0.001 }))).to.equal(true)
  })
})

describe('scents at their ends', () => {
  const scent = { name: 'Amber', rate: 0.03, supplierLimit: 0.02 }

  it('may be just what the certificate allows', () => {
    // 20 g in 1111.1 g of batter that loses a tenth: 2 % of the cured bar.
    expect(checkScent(scent, 20, 1000 / 0.9, 0.1)).to.deep.equal([])
    expect(checkScent(scent, 20.1, 1000 / 0.9, 0.1)[0]).to.deep.include({ code: 'scent_above_limit' })
    expect(checkScent({ ...scent, rate: 0 }, 20.1, 1000, 0)).to.deep.equal([])
    expect(checkScent(scent, 0, 1000, 0)).to.deep.equal([])
  })

  it('blames the field of the scent, or of its part', () => {
    const unknown = { ...scent, supplierLimit: null }
    expect(checkScent(unknown, 20, 1000, 0)[0]?.field).to.equal('scent.supplierLimit')
    const blend = { ...scent, parts: [{ name: 'Fir', share: 1, supplierLimit: null }] }
    expect(checkScent(blend, 20, 1000, 0)[0]?.field).to.equal('scent.parts[0].supplierLimit')
    expect(
      plainly(checkScent({ ...blend, parts: [{ name: 'Fir', share: 1, supplierLimit: 0.01 }] }, 20, 1000, 0)[0]),
    ).to.equal('scent_above_limit, part Fir, ofBar 2 %, allowed 1 %, rate 1.5 %, isBlend yes, scent Amber')
    expect(plainly(checkScent({ ...scent, supplierLimit: 0.01 }, 20, 1000, 0)[0])).to.equal(
      'scent_above_limit, part Amber, ofBar 2 %, allowed 1 %, rate 1.5 %, isBlend no, scent Amber',
    )
  })

  it('gives the last part what rounding leaves', () => {
    const parts = ['Fir', 'Moss', 'Salt'].map((name) => ({ name, share: 1 / 3, supplierLimit: 0.1 }))
    expect(scentWeights({ ...scent, parts }, 31, 1).map(({ massG }) => massG)).to.deep.equal([10, 10, 11])
    expect(scentWeights(scent, 31.4, 1)).to.deep.equal([{ name: 'Amber', massG: 31.4 }])
    expect(scentLimit({ ...scent, parts: [{ name: 'Fir', share: 0, supplierLimit: 0.1 }] })).to.equal(null)
    expect(scentLimit({ ...scent, parts: [{ name: 'Fir', share: 0.5, supplierLimit: 0.1 }] })).to.equal(0.2)
  })
})

describe('shares that are edited', () => {
  const lines = (...shares: number[]) => shares.map((share, at) => ({ fatKey: `fat${at}`, share }))
  const sharesOf = (fats: readonly { readonly share: number }[]) => fats.map(({ share }) => share)

  it('lose no dust: what rounding leaves goes to the largest of the free others', () => {
    const after = withShare(lines(0.4, 0.2, 0.2, 0.2), 0, 0.5, new Set())
    expect(sharesOf(after)).to.deep.equal([0.5, 0.1666, 0.1667, 0.1667])
    expect(sharesOf(after).reduce((sum, share) => sum + share, 0)).to.be.closeTo(1, 1e-9)
  })

  it('leave alone what is locked, and the fat that was typed', () => {
    const after = withShare(lines(0.4, 0.3, 0.2, 0.1), 0, 0.45, new Set(['fat1']))
    expect(sharesOf(after)).to.deep.equal([0.45, 0.3, 0.1667, 0.0833])
  })

  it('follow a mass', () => {
    const { fats: after, fatsG } = withMass(lines(0.5, 0.5), 0, 1000, 1000)
    expect(fatsG).to.equal(1500)
    expect(sharesOf(after)).to.deep.equal([0.6667, 0.3333])
    expect(withMass(lines(1), 0, 0, 1000)).to.deep.equal({ fats: lines(1), fatsG: 1000 })
  })
})
