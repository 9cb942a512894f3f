import { expect } from 'chai'
import { checkRecipe, naohBoundBy } from '../../src/recipe'
import { workedRecipe } from '../blends'
import { plainly } from '../plainly'

const acid = (name: string) => ({ name, basis: 'fats', rate: 0.01, place: 'lye', wetting: null, contains: [] }) as const

describe('an acid among the additives', () => {
  it('takes up sodium hydroxide by its moles', () => {
    // 3 · 39.997 / 192.124 = 0.62455; 39.997 / 60.052 = 0.66604.
    expect(naohBoundBy('Citric acid')).to.be.closeTo(0.62455, 1e-4)
    expect(naohBoundBy('acetic acid, pure')).to.be.closeTo(0.66604, 1e-4)
    expect(naohBoundBy('Sodium lactate')).to.equal(0)
    expect(naohBoundBy('Honey')).to.equal(0)
  })

  it('is told with what it does to the superfat, and with how much more lye mends it', () => {
    // 45/30/25 of olive, coconut, shea: 1 kg takes 147.997 g at most, 140.597 g at 5 %. Ten grams of citric acid bind
    // 6.2455 g: 4.4 % of the lye; the superfat is 5 + 4.2 = 9.2 %.
    const told = checkRecipe({ ...workedRecipe, superfat: 0.05, additives: [acid('Citric acid')] })
    expect(told.map(plainly)).to.include('acid_binds_lye, acid Citric acid, bound 4.4 %, superfat 9.2 %, wished 5 %')
    const without = checkRecipe({ ...workedRecipe, additives: [acid('Sodium lactate')] })
    expect(without.some(({ code }) => code === 'acid_binds_lye')).to.equal(false)
  })
})
