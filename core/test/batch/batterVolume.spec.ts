import { expect } from 'chai'
import fc from 'fast-check'
import { batterOfFats, batterOfVolume, densityOfBatter } from '../../src/batch'
import type { Recipe } from '../../src/recipe'
import { workedRecipe } from '../blends'

const milk = { name: 'Milk', waterShare: 0.87, partOfWater: 0.4, place: 'lye' as const, contains: [] }
const cream = { name: 'Cream', waterShare: 0.6, partOfWater: 0.1, place: 'emulsion' as const, contains: [] }
const added = { place: 'trace' as const, wetting: null, contains: [] }
const recipe: Recipe = {
  ...workedRecipe,
  kohShare: 0.1,
  kohPurity: 0.9,
  liquids: [milk, cream],
  additives: [
    { ...added, name: 'Clay', basis: 'fats', rate: 0.02 },
    { ...added, name: 'Salt', basis: 'batter', rate: 0.01 },
  ],
}
const scent = { name: 'Amber blend', rate: 0.03, supplierLimit: null }

describe('batterOfFats', () => {
  it('adds the volumes of fats, lye and scent', () => {
    const { batterG, batterMl } = batterOfFats(workedRecipe, { scent, bars: 12 }, 1)
    // 0.45/0.911 + 0.30/0.913 + 0.25/0.900 = 1.100328; lye (0.140596 + 0.285452)/1.3593 = 0.313432; 0.03/0.95 = 0.031579
    expect(batterMl).to.be.closeTo(1.445338, 0.000005)
    expect(batterG).to.be.closeTo(1.456048, 0.000005)
  })

  it('adds up fats, both alkalis, water, what liquids hold besides, solids and scent, each at its own density', () => {
    // Takes 0.2076 g KOH: 0.126536 g NaOH and 0.021913 g KOH of 90 %, in 0.301398 g water.
    // Milk brings 0.120559 g of that water in 0.138574 g, cream 0.030140 in 0.050233: 0.038108 g besides.
    // 1 + 0.148450 + 0.301398 + 0.038108 = 1.487956; clay 0.02, salt 0.014880, scent 0.03.
    const { batterG, batterMl } = batterOfFats(recipe, { scent, bars: 12 }, 1)
    expect(batterG).to.be.closeTo(1.552835, 3e-6)
    // 0.45/0.911 + 0.3/0.913 + 0.25/0.9 = 1.100328 ml fats, 0.449848/1.3593 = 0.330941 lye; milk 0.138574/1.03 and
    // cream 0.050233/0.99 less their water of 0.150699/0.998: 0.034276;
    // clay 0.02/2.6 = 0.007692, salt 0.014880/2.16 = 0.006889, scent 0.03/0.95 = 0.031579.
    expect(batterMl).to.be.closeTo(1.511705, 3e-6)
  })

  it('has more water than the lye asks for where liquids bring more', () => {
    const liquids = [
      { ...milk, partOfWater: 1 },
      { ...cream, partOfWater: 0.3 },
    ]
    const { batterG, batterMl } = batterOfFats({ ...recipe, liquids }, { scent, bars: 12 }, 1)
    // 0.391817 g of water are 0.090419 g over; 0.105316 g are besides water: 0.346434/1.03 + 0.150699/0.99 - 0.391817/0.998.
    // Against before: clay at 2.6 and salt, now of a heavier batter, 0.016437/2.16 in place of both at 2.6.
    expect(batterG).to.be.closeTo(1.712039, 3e-6)
    expect(batterMl).to.be.closeTo(1.664719, 3e-6)
  })

  it('goes by the densities that the workshop states', () => {
    const knownDensities = [
      { kind: 'additive' as const, name: ' clay', densityGMl: 1 },
      { kind: 'liquid' as const, name: 'Milk', densityGMl: 0.5 },
      { kind: 'scent' as const, name: 'Amber Blend', densityGMl: 0.6 },
    ]
    const plain = batterOfFats(recipe, { scent, bars: 0 }, 1)
    const known = batterOfFats({ ...recipe, knownDensities }, { scent, bars: 0 }, 1)
    // Clay 0.02 · (1 - 1/2.6) = 0.012308; scent 0.03 · (1/0.6 - 1/0.95) = 0.018421;
    // milk 0.138574/0.5 = 0.277148 in place of 0.138574/1.03 = 0.134538.
    expect(known.batterMl - plain.batterMl).to.be.closeTo(0.012308 + 0.018421 + 0.277148 - 0.134538, 3e-6)
    expect(known.batterG).to.equal(plain.batterG)
  })
})

describe('batterOfVolume', () => {
  const oats = { ...added, name: 'Oats', basis: 'bar' as const, rate: 20 }

  it('leaves room for what is stated by the bar', () => {
    // Ten bars of 20 g of oats, 1.4 g/ml: 142.857 ml of 1200; 1057.143 / 1.413759 = 747.75 g of fats.
    // 1.445338 less the scent's 0.031579 is 1.413759 ml, 1.426048 g a gram.
    const { fatsG, batterG, batterMl } = batterOfVolume({ ...workedRecipe, additives: [oats] }, { bars: 10 }, 1200)
    expect(fatsG).to.be.closeTo(747.75, 0.01)
    expect(batterMl).to.be.closeTo(1200, 1e-6)
    expect(batterG).to.be.closeTo(747.75 * 1.426048 + 200, 0.01)
  })

  it('leaves room for the powders of the pots', () => {
    const colours = [
      { name: 'Titanium white', hex: '#ffffff', share: 0.5, rateGPerKg: 100 },
      { name: 'Sea', hex: '#115577', share: 0.5, rateGPerKg: 0 },
    ]
    // A ml of batter is 1.008692 g; half of it takes 0.1 g a g of titanium dioxide, 4.23 g/ml: 0.011923 ml more.
    const { batterMl, colourantsMl, colourantsG, ...batter } = batterOfVolume(workedRecipe, { colours, bars: 10 }, 1200)
    expect(batterMl).to.be.closeTo(1200 / 1.011923, 0.01)
    expect(batterMl + colourantsMl).to.be.closeTo(1200, 1e-6)
    expect(colourantsG).to.be.closeTo(batter.batterG * 0.05, 1e-6)
    // (1.008692 · 1.05) / 1.011923
    expect(densityOfBatter({ ...batter, batterMl, colourantsMl, colourantsG })).to.be.closeTo(1.046646, 1e-5)
  })

  it('is made of no fats where the bars’ own additives take all the room', () => {
    expect(batterOfVolume({ ...workedRecipe, additives: [oats] }, { bars: 10 }, 100).fatsG).to.equal(0)
    expect(densityOfBatter(batterOfVolume(workedRecipe, { bars: 0 }, 0))).to.equal(0)
  })

  it('fills the room there is, whatever goes in', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 200, max: 20_000, noNaN: true }),
        fc.integer({ min: 0, max: 60 }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        fc.constantFrom('share', 'mass', 'volume', 'rest'),
        (madeMl, bars, rate, rateGPerKg, portion) => {
          const of = { ...recipe, additives: [...(recipe.additives ?? []), { ...oats, rate }] }
          const colours = [
            { name: 'Ultramarine', hex: '#2233aa', share: 0.3, amount: 40, portion, rateGPerKg },
            { name: 'White', hex: '#ffffff', share: 0.7, rateGPerKg: rateGPerKg / 2 },
          ]
          const { batterMl, colourantsMl, fatsG } = batterOfVolume(of, { scent, colours, bars }, madeMl)
          if (fatsG > 0) expect(batterMl + colourantsMl).to.be.closeTo(madeMl, madeMl * 1e-9)
        },
      ),
    )
  })
})
