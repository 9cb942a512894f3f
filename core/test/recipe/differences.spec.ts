import { expect } from 'chai'
import type { KeptRecipe } from '../../src/recipe'
import { fatDifferences, recipeDifferences } from '../../src/recipe'
import { workedRecipe } from '../blends'
import { plainly } from '../plainly'

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
    expect(recipeDifferences(kept, after).map(plainly)).to.deep.equal([
      'fat_went_out, fat Shea butter, share 25 %',
      'fat_came_in, fat Cocoa butter, share 25 %',
      'recipe_part_changed, what Olive oil, before 45 %, after 50 %',
      'recipe_part_changed, what Coconut oil, before 30 %, after 25 %',
      'recipe_part_changed, what (recipe_part, part at_trace), before (no_fat), after [Olive oil]',
      'recipe_part_changed, what (recipe_part, part superfat), before 5 %, after 6 %',
      'recipe_part_changed, what (recipe_part, part oven), before (yes_or_no, is no), after (yes_or_no, is yes)',
      'recipe_part_changed, what (recipe_part, part cure_days), before 28 d, after 42 d',
      'recipe_notes_changed',
    ])
  })

  it('says what came in, went out or changed besides the fats', () => {
    const milk = { name: 'Milk', waterShare: 0.88, partOfWater: 0.5, place: 'lye', contains: [] } as const
    const clay = { name: 'Clay', basis: 'fats', rate: 0.01, place: 'emulsion', wetting: null, contains: [] } as const
    const before: KeptRecipe = { ...kept, liquids: [milk], additives: [clay] }
    const after: KeptRecipe = { ...kept, additives: [{ ...clay, rate: 2, basis: 'bar' }] }
    expect(recipeDifferences(before, after).map(({ code }) => code)).to.deep.equal([
      'part_went_out',
      'recipe_part_changed',
    ])
    expect(plainly(recipeDifferences(kept, before)[0])).to.equal(
      'part_came_in, name Milk, how (liquid_in_recipe, part 50 %, water 88 %, place lye)',
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
