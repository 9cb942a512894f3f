import { expect } from 'chai'
import fc from 'fast-check'
import { fatTable, findFat } from '../../src/fats'
import type { Wish, WishProblem } from '../../src/wishes'
import { barCostOf, wishRow } from '../../src/wishes'
import { nearestRecipe } from '../../src/wishes/nearest'

const cost: WishProblem['cost'] = {
  centsPerKg: { olive: 900, coconut: 500, shea: 1000, sunflower_high_oleic: 400, castor: 800, palm: 300 },
  naohCentsPerKg: 400,
  fatsGPerBar: 86,
  superfat: 0.05,
}
const problem: WishProblem = {
  fats: [
    { fatKey: 'olive', share: 0.45 },
    { fatKey: 'coconut', share: 0.3 },
    { fatKey: 'shea', share: 0.25 },
  ],
  wishes: [],
  locked: [],
  mayAdd: [],
  cost,
}
const ask = (wishes: readonly Wish[], more: Partial<WishProblem> = {}) => nearestRecipe({ ...problem, ...more, wishes })
const atMost = (fatKey: string, limit: number): Wish => ({ kind: 'fat', fatKey, sense: 'at_most', limit })
const atLeast = (fatKey: string, limit: number): Wish => ({ kind: 'fat', fatKey, sense: 'at_least', limit })

describe('nearestRecipe', () => {
  it('leaves a recipe alone that fulfils the wishes', async () => {
    const answer = await ask([atMost('coconut', 0.35)])
    expect(answer).to.deep.include({ kind: 'nearest', fats: problem.fats })
    expect(answer.kind === 'nearest' && answer.changed).to.be.closeTo(0, 1e-9)
  })

  it('changes no more than it must', async () => {
    // Ten percent of coconut oil have to go; nothing else asks for a change.
    const answer = await ask([atMost('coconut', 0.2)])
    expect(answer.kind === 'nearest' && answer.changed).to.be.closeTo(0.1, 0.001)
    if (answer.kind !== 'nearest') throw new Error(answer.kind)
    const coconut = answer.fats.find(({ fatKey }) => fatKey === 'coconut')
    expect(coconut?.share).to.be.within(0.199, 0.2)
  })

  it('leaves locked fats as they are', async () => {
    const answer = await ask([atMost('coconut', 0.2)], { locked: ['shea'] })
    if (answer.kind !== 'nearest') throw new Error(answer.kind)
    expect(answer.fats.find(({ fatKey }) => fatKey === 'shea')?.share).to.equal(0.25)
  })

  it('brings another fat in when its own do not do', async () => {
    const answer = await ask([{ kind: 'free_of', content: 'nut' }, atMost('olive', 0.5), atMost('coconut', 0.3)], {
      mayAdd: ['sunflower_high_oleic'],
    })
    if (answer.kind !== 'nearest') throw new Error(answer.kind)
    expect(answer.fats.map(({ fatKey }) => fatKey)).to.deep.equal(['olive', 'coconut', 'sunflower_high_oleic'])
  })

  it('names the wishes that contradict each other, and none besides', async () => {
    const answer = await ask([
      atMost('shea', 0.3),
      atLeast('coconut', 0.5),
      { kind: 'liquid', sense: 'at_least', limit: 0.6 },
      { kind: 'bar_cost', limitCents: 500 },
    ])
    expect(answer).to.deep.equal({ kind: 'contradiction', wishes: [1, 2], locksStand: false })
    const byLock = await ask([atMost('olive', 0.4)], { locked: ['olive'] })
    expect(byLock).to.deep.equal({ kind: 'contradiction', wishes: [0], locksStand: true })
  })

  it('keeps to the cost of a bar, the lye counted', async () => {
    const price = (fatKey: string): number => barCostOf(findFat(fatKey)!, cost)
    // Olive: 86 g at 9.00 a kilo, and 86 · 0.128676 g of lye at 4.00: 77.4 + 4.426 cents.
    expect(price('olive')).to.be.closeTo(77.4 + 4.4265, 0.001)
    const answer = await ask([{ kind: 'bar_cost', limitCents: 60 }], { mayAdd: ['sunflower_high_oleic'] })
    if (answer.kind !== 'nearest') throw new Error(answer.kind)
    expect(answer.fats.reduce((sum, { fatKey, share }) => sum + share * price(fatKey), 0)).to.be.at.most(60 + 1e-6)
    // A fat without a price is not chosen.
    const unpriced = await ask([{ kind: 'bar_cost', limitCents: 60 }], { mayAdd: ['babassu', 'sunflower_high_oleic'] })
    expect(unpriced.kind === 'nearest' && unpriced.fats.some(({ fatKey }) => fatKey === 'babassu')).to.equal(false)
  })

  it('fulfils every wish it says it fulfils, whatever is wished', async () => {
    const keys = fatTable.slice(0, 12).map(({ key }) => key)
    const limit = fc.double({ min: 0, max: 1, noNaN: true })
    const sense = fc.constantFrom('at_most', 'at_least')
    const wish: fc.Arbitrary<Wish> = fc.oneof(
      fc.record({ kind: fc.constant('fat'), fatKey: fc.constantFrom(...keys), sense, limit }),
      fc.record({
        kind: fc.constant('acids'),
        acids: fc.constantFrom('polyunsaturated', 'foaming', 'firm'),
        sense,
        limit,
      }),
      fc.record({ kind: fc.constant('liquid'), sense, limit }),
      fc.record({ kind: fc.constant('free_of'), content: fc.constantFrom('palm', 'animal', 'nut') }),
    ) as fc.Arbitrary<Wish>
    await fc.assert(
      fc.asyncProperty(fc.array(wish, { minLength: 1, maxLength: 5 }), async (wishes) => {
        const answer = await ask(wishes, { mayAdd: keys })
        if (answer.kind === 'contradiction') {
          expect(answer.wishes.length).to.be.at.least(1)
          return
        }
        expect(answer.fats.reduce((sum, { share }) => sum + share, 0)).to.be.closeTo(1, 1e-6)
        const fats = answer.fats.map(({ fatKey }) => findFat(fatKey)!)
        for (const one of wishes) {
          const row = wishRow(one, fats, cost)
          const value = row.coefficients.reduce((sum, factor, at) => sum + factor * (answer.fats[at]?.share ?? 0), 0)
          if (row.sense === 'at_most') expect(value).to.be.at.most(row.limit + 2e-4)
          else expect(value).to.be.at.least(row.limit - 2e-4)
        }
      }),
      { numRuns: 60 },
    )
  })
})
