import { expect } from 'chai'
import fc from 'fast-check'
import { findFat } from '../../src/fats'
import type { Recipe, WeighedFat } from '../../src/recipe'
import {
  additivesFor,
  alkaliFor,
  asPureNaohG,
  checkRecipe,
  concentrationOfFatsShare,
  concentrationOfRatio,
  dissolvingWaterG,
  lyeFor,
  naohDemand,
  recipeFigures,
  superfatBand,
  waterFigures,
  wettingG,
} from '../../src/recipe'
import { plainly } from '../plainly'

const olive = findFat('olive')!
/** 1000 g of olive oil: SAP 190, so 190 g of KOH or 190 · 39.997/56.1056 = 135.4487 g of NaOH, both pure. */
const kilo: readonly WeighedFat[] = [{ fat: olive, massG: 1000 }]
const plain: Recipe = {
  fats: [{ fatKey: 'olive', share: 1 }],
  superfat: 0.05,
  lyeConcentration: 0.33,
  naohPurity: 1,
}
const milk = { name: 'Milk', waterShare: 0.87, partOfWater: 0.5, place: 'lye', contains: ['animal'] } as const
const puree = { name: 'Carrot puree', waterShare: 0.8, partOfWater: 0.2, place: 'emulsion', contains: [] } as const
const codes = (recipe: Recipe): readonly string[] => checkRecipe(recipe).map(({ code }) => code)

describe('alkaliFor', () => {
  it('shares the alkali mole for mole between two, each with its own purity', () => {
    const { naohG, kohG } = alkaliFor(kilo, { ...plain, kohShare: 0.1, kohPurity: 0.9 })
    // 135.4487 · 0.95 · 0.9, and 190 · 0.95 · 0.1 / 0.9.
    expect(naohG).to.be.closeTo(115.8087, 0.0005)
    expect(kohG).to.be.closeTo(20.0556, 0.0005)
    expect(superfatBand(kilo, asPureNaohG({ naohG, kohG }, { naohPurity: 1, kohPurity: 0.9 })).likely).to.be.closeTo(
      0.05,
      1e-9,
    )
  })

  it('gives fat at trace its alkali like any other', () => {
    const recipe: Recipe = {
      ...plain,
      fats: [
        { fatKey: 'olive', share: 0.9 },
        { fatKey: 'shea', share: 0.1, atTrace: true },
      ],
    }
    const melted = { ...recipe, fats: recipe.fats.map(({ fatKey, share }) => ({ fatKey, share })) }
    expect(recipeFigures(recipe, 1000).naohG).to.equal(recipeFigures(melted, 1000).naohG)
    expect(codes({ ...recipe, fats: recipe.fats.map((fat) => ({ ...fat, atTrace: true })) })).to.include(
      'too_much_at_trace',
    )
  })

  it('never exceeds what the rounded fats take at no superfat, on any scale and with any share of KOH', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.6, noNaN: true }),
        fc.double({ min: 0.8, max: 1, noNaN: true }),
        fc.constantFrom(0, 0.1, 1, 5, 10),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        fc.integer({ min: 50, max: 5000 }),
        (kohShare, kohPurity, stepG, superfat, massG) => {
          const recipe = { ...plain, kohShare, kohPurity, superfat, naohPurity: 0.97 }
          const fats = [{ fat: olive, massG }]
          const alkali = alkaliFor(fats, recipe, stepG)
          expect(asPureNaohG(alkali, recipe)).to.be.at.most(naohDemand(fats, 'typical') + 1e-6)
          expect(Math.min(alkali.naohG, alkali.kohG)).to.be.at.least(0)
        },
      ),
    )
  })
})

describe('the water', () => {
  it('is stated in three ways that follow from each other', () => {
    // 128.6763 g of NaOH for a kilo: 33 % is 2.0303 times the lye, 26.125 % of the fats.
    const alkaliPerFats = 0.1286763
    const figures = waterFigures(0.33, alkaliPerFats)
    expect(figures.waterToLye).to.be.closeTo(2.0303, 0.0001)
    expect(figures.shareOfFats).to.be.closeTo(0.26125, 0.00001)
    expect(concentrationOfRatio(figures.waterToLye)).to.be.closeTo(0.33, 1e-12)
    expect(concentrationOfFatsShare(figures.shareOfFats, alkaliPerFats)).to.be.closeTo(0.33, 1e-12)
    expect(recipeFigures(plain, 1000).water.shareOfFats).to.be.closeTo(0.26125, 0.00001)
  })

  it('comes in part from milk and puree, by what is water in them', () => {
    const lye = lyeFor(kilo, { ...plain, liquids: [milk, puree] })
    // 261.252 g of water in all. Half of it is in 130.626 / 0.87 g of milk, a fifth in 52.250 / 0.8 g of puree.
    expect(lye.allWaterG).to.be.closeTo(261.252, 0.001)
    expect(lye.liquids[0]?.massG).to.be.closeTo(150.145, 0.001)
    expect(lye.liquids[1]?.massG).to.be.closeTo(65.313, 0.001)
    expect(lye.plainWaterG).to.be.closeTo(78.376, 0.001)
    // The lye is dissolved in the water and the milk; the puree comes later.
    expect(dissolvingWaterG(lye)).to.be.closeTo(209.002, 0.001)
    expect(dissolvingWaterG(lye, 20)).to.be.closeTo(189.002, 0.001)
  })

  it('that is left for the lye must be its mass at least, else it is said how to split', () => {
    const inFats = { ...milk, place: 'fats', partOfWater: 0.6 } as const
    const finding = checkRecipe({ ...plain, liquids: [inFats] }).find(({ code }) => code === 'too_little_to_dissolve')
    // 104.501 g are left for 128.676 g; 24.175 g are missing, 9.25 % of all water.
    expect(finding?.severity).to.equal('refuse')
    expect(plainly(finding)).to.contain('water 104.5 g, alkali 128.68 g')
    expect(plainly(finding)).to.match(/liquid_to_the_lye, missing 9\.[23] %/)
    expect(codes({ ...plain, liquids: [{ ...inFats, partOfWater: 0.5 }] })).to.deep.equal(['liquid_brings_fat'])
    expect(codes({ ...plain, liquids: [milk, { ...puree, partOfWater: 0.6 }] })).to.include('too_much_liquid')
    expect(codes({ ...plain, liquids: [{ ...milk, waterShare: 0 }] })).to.include('water_share_range')
  })
})

describe('additivesFor', () => {
  const clay = {
    name: 'White clay',
    basis: 'fats',
    rate: 0.02,
    place: 'emulsion',
    wetting: { with: 'water', ratio: 3 },
    contains: [],
  } as const
  const oats = { name: 'Oats', basis: 'bar', rate: 1.5, place: 'trace', wetting: null, contains: [] } as const
  const salt = { name: 'Salt', basis: 'batter', rate: 0.01, place: 'lye', wetting: null, contains: [] } as const

  it('goes by fats, by batter or by the bar, and says what wets it', () => {
    const weighed = additivesFor({ additives: [clay, oats, salt] }, { fatsG: 1000, batterG: 1390, bars: 12 })
    expect(weighed.map(({ massG }) => massG)).to.deep.equal([20, 18, 13.9])
    expect(weighed[0]?.wetting).to.deep.equal({ with: 'water', massG: 60 })
    expect(wettingG(weighed, 'water')).to.equal(60)
    expect(wettingG(weighed, 'fat')).to.equal(0)
  })

  it('is weighed on the workshop’s scale from twenty of its steps on, little of it on a fine one', () => {
    const weighed = (rate: number, stepG: number) =>
      additivesFor({ additives: [{ ...clay, rate }] }, { fatsG: 4780, batterG: 7000, bars: 48 }, stepG).map(
        ({ massG, wetting }) => [massG, wetting?.massG],
      )[0]
    // 4780 · 0.02 = 95.6: to the gram 96, wetted with 3 · 96.
    expect(weighed(0.02, 1)).to.deep.equal([96, 288])
    // A scale of 5 g: 95.6 is less than 20 · 5; 3 · 95.6 = 286.8 is more: 285.
    expect(weighed(0.02, 5)).to.deep.equal([95.6, 285])
    // 4780 · 0.004 = 19.12 is less than 20 · 1; 3 · 19.1 = 57.3.
    expect(weighed(0.004, 1)).to.deep.equal([19.1, 57])
  })

  it('takes the water that wets from the lye, which must still dissolve', () => {
    const figures = recipeFigures({ ...plain, additives: [clay] }, 1000)
    expect(figures.dissolvingWaterG).to.be.closeTo(261.252 - 60, 0.001)
    expect(codes({ ...plain, additives: [{ ...clay, rate: 0.05 }] })).to.include('too_little_to_dissolve')
  })

  it('is refused where it is more than a batch takes', () => {
    expect(codes({ ...plain, additives: [{ ...salt, rate: 1.6 }] })).to.deep.equal(['additive_range'])
    expect(codes({ ...plain, additives: [{ ...clay, wetting: { with: 'fat', ratio: 40 } }] })).to.include(
      'wetting_range',
    )
    expect(codes({ ...plain, kohShare: 0.9 })).to.deep.equal(['koh_share_range'])
    expect(codes({ ...plain, kohPurity: 1.4 })).to.deep.equal(['koh_purity_range'])
  })
})

describe('a salt bar', () => {
  const salt = { name: 'Sea salt', place: 'trace', wetting: null, contains: [] } as const
  const salted = (fats: Recipe['fats'], rate: number): readonly string[] =>
    codes({ ...plain, fats, additives: [{ ...salt, basis: 'fats', rate }] })
  const coconut = [{ fatKey: 'coconut', share: 1 }]

  it('may hold half as much salt again as fats, and is told to set within hours', () => {
    expect(salted(coconut, 1.5)).to.deep.equal(['salt_bar'])
    expect(salted(coconut, 0.25)).to.deep.equal(['salt_bar'])
    expect(salted(coconut, 0.24)).to.deep.equal([])
  })

  it('lathers little without much coconut', () => {
    // Coconut has 48 + 19 = 67 % of lauric and myristic acid, less what does not saponify: 70 % of it is below a half.
    const blend = (share: number) => [
      { fatKey: 'coconut', share },
      { fatKey: 'olive', share: 1 - share },
    ]
    expect(salted(blend(0.7), 0.8)).to.deep.equal(['salt_bar', 'salt_little_foam'])
    expect(salted(blend(0.85), 0.8)).to.deep.equal(['salt_bar'])
  })
})

describe('lye on a coarse scale', () => {
  it('goes down, so that the superfat is never below the recipe’s, unless the maker wants the nearest step', () => {
    // 1000 g take 134.3 g of NaOH (0.95 · 141.4 …) whatever the blend: on steps of 5 g down, else to the nearest.
    const exact = alkaliFor(kilo, plain).naohG
    for (const stepG of [0.1, 1, 5, 14.17]) {
      const { naohG } = alkaliFor(kilo, plain, stepG)
      expect(naohG).to.be.at.most(exact + 1e-9)
      expect(naohG).to.be.above(exact - stepG)
      expect(Math.abs(alkaliFor(kilo, plain, stepG, 'nearest').naohG - exact)).to.be.at.most(stepG / 2 + 1e-9)
    }
  })
})
