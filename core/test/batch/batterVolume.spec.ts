import { expect } from 'chai'
import { batterPerGramOfFats } from '../../src/batch'
import type { Recipe } from '../../src/recipe'
import { workedRecipe } from '../blends'

const milk = { name: 'Milk', waterShare: 0.87, partOfWater: 0.4, place: 'lye' as const, contains: [] }
const cream = { name: 'Cream', waterShare: 0.6, partOfWater: 0.1, place: 'emulsion' as const, contains: [] }
const recipe: Recipe = {
  ...workedRecipe,
  kohShare: 0.1,
  kohPurity: 0.9,
  liquids: [milk, cream],
  additives: [
    { name: 'Clay', basis: 'fats', rate: 0.02, place: 'emulsion', wetting: null, contains: [] },
    { name: 'Salt', basis: 'batter', rate: 0.01, place: 'lye', wetting: null, contains: [] },
    { name: 'Oats', basis: 'bar', rate: 1, place: 'trace', wetting: null, contains: [] },
  ],
}

describe('batterPerGramOfFats', () => {
  it('adds up fats, both alkalis, water, what liquids hold besides, solids and scent', () => {
    // Takes 0.2076 g KOH: 0.126536 g NaOH and 0.021913 g KOH of 90 %, in 0.301398 g water.
    // Milk brings 0.120559 g of that water in 0.138574 g, cream 0.030140 in 0.050233: 0.038108 g besides.
    // 1 + 0.148450 + 0.301398 + 0.038108 = 1.487956; clay 0.02, salt 0.014880, scent 0.03.
    const { massG, volumeMl } = batterPerGramOfFats(recipe, 0.03)
    expect(massG).to.be.closeTo(1.552835, 3e-6)
    // 0.45/0.911 + 0.3/0.913 + 0.25/0.9 = 1.100328 ml fats, 0.449848/1.3593 lye, 0.038108/1.5, 0.034880/2.6, 0.03/0.95.
    expect(volumeMl).to.be.closeTo(1.501668, 3e-6)
  })

  it('has more water than the lye asks for where liquids bring more', () => {
    const wet = {
      ...recipe,
      liquids: [
        { ...milk, partOfWater: 1 },
        { ...cream, partOfWater: 0.3 },
      ],
    }
    const { massG, volumeMl } = batterPerGramOfFats(wet, 0.03)
    // 0.391817 g of water are 0.090419 g over; 0.105316 g are besides water.
    expect(massG).to.be.closeTo(1.712039, 3e-6)
    expect(volumeMl).to.be.closeTo(1.637679, 3e-6)
  })
})
