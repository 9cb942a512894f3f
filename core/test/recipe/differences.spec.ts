import { expect } from 'chai'
import type { KeptRecipe } from '../../src/recipe'
import { fatDifferences, recipeDifferences } from '../../src/recipe'
import { workedRecipe } from '../blends'

const kept: KeptRecipe = { ...workedRecipe, name: 'House bar', setDaysMin: 1, setDaysMax: 3, cureDays: 28, notes: '' }

describe('recipeDifferences', () => {
  it('says in a line each what became of fats, lye and days', () => {
    const after: KeptRecipe = {
      ...kept,
      fats: [
        { fatKey: 'olive', share: 0.5, atTrace: true },
        { fatKey: 'coconut', share: 0.25 },
        { fatKey: 'cocoa_butter', share: 0.25 },
      ],
      superfat: 0.06,
      cureDays: 42,
      oven: true,
      notes: 'Warmer.',
    }
    expect(recipeDifferences(kept, after)).to.deep.equal([
      'Shea butter went out, 25 %',
      'Cocoa butter came in, 25 %',
      'Olive oil 45 % → 50 %',
      'Coconut oil 30 % → 25 %',
      'Fats at trace: none → Olive oil',
      'Superfat 5 % → 6 %',
      'Oven no → yes',
      'Cure 28 days → 42 days',
      'The notes for next time',
    ])
  })

  it('says what came in, went out or changed besides the fats', () => {
    const milk = { name: 'Milk', waterShare: 0.88, partOfWater: 0.5, place: 'lye', contains: [] } as const
    const clay = { name: 'Clay', basis: 'fats', rate: 0.01, place: 'emulsion', wetting: null, contains: [] } as const
    const before: KeptRecipe = { ...kept, liquids: [milk], additives: [clay] }
    const after: KeptRecipe = { ...kept, additives: [{ ...clay, rate: 2, basis: 'bar' }] }
    expect(recipeDifferences(before, after)).to.deep.equal([
      'Milk went out',
      'Clay: 1 % of the fats, at emulsion → 2 g a bar, at emulsion',
    ])
    expect(recipeDifferences(kept, before)[0]).to.equal(
      'Milk came in: 50 % of the water, 88 % water itself, in the lye',
    )
    expect(recipeDifferences(before, before)).to.deep.equal([])
  })
})

describe('fatDifferences', () => {
  it('lists what differs, the greatest first', () => {
    const before = [
      { fatKey: 'olive', share: 0.5 },
      { fatKey: 'coconut', share: 0.3 },
      { fatKey: 'shea', share: 0.2 },
    ]
    const after = [
      { fatKey: 'olive', share: 0.55 },
      { fatKey: 'coconut', share: 0.3 },
      { fatKey: 'castor', share: 0.15 },
    ]
    expect(fatDifferences(before, after, (key) => key)).to.deep.equal([
      { what: 'shea', before: 0.2, after: undefined },
      { what: 'castor', before: undefined, after: 0.15 },
      { what: 'olive', before: 0.5, after: 0.55 },
    ])
    expect(fatDifferences(before, before, (key) => key)).to.deep.equal([])
  })
})
