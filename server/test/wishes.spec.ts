import { endpoints } from '@vendange/contract'
import { expect } from 'chai'
import type { TestWorkshop } from './workshopAtTest'
import { furnish, openTestWorkshop, problemOf } from './workshopAtTest'

describe('wishes for a recipe', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const fats = [
    { fatKey: 'olive', share: 0.6, atTrace: false },
    { fatKey: 'coconut', share: 0.4, atTrace: false },
  ]
  const request = { fats, superfat: 0.05, locked: [], mayAdd: [], fatsGPerBar: 70 }

  it('are answered with the nearest recipe', async () => {
    const answer = await workshop.api(endpoints.nearestRecipe, {
      body: { ...request, wishes: [{ kind: 'fat', fatKey: 'coconut', sense: 'at_most', limit: 0.3 }] },
    })
    expect(answer.kind === 'nearest' && answer.changed).to.be.closeTo(0.1, 0.001)
  })

  it('are reckoned with the prices of the workshop', async () => {
    await furnish(workshop)
    await workshop.api(endpoints.statePrices, {
      body: {
        prices: [
          { kind: 'fat', name: 'Olive oil', ref: 'olive', listCents: 1000 },
          { kind: 'fat', name: 'Coconut oil', ref: 'coconut', listCents: 500 },
        ],
      },
    })
    // 70 g of fats for 42 cents: at 10.00 and 5.00 a kilo that is 20 % of olive oil.
    const answer = await workshop.api(endpoints.nearestRecipe, {
      body: { ...request, wishes: [{ kind: 'bar_cost', limitCents: 42 }] },
    })
    if (answer.kind !== 'nearest') throw new Error(answer.kind)
    expect(answer.fats.find(({ fatKey }) => fatKey === 'olive')?.share).to.be.closeTo(0.2, 0.001)
  })

  it('that contradict each other are named', async () => {
    const answer = await workshop.api(endpoints.nearestRecipe, {
      body: {
        ...request,
        wishes: [
          { kind: 'fat', fatKey: 'coconut', sense: 'at_most', limit: 0.3 },
          { kind: 'free_of', content: 'palm' },
          { kind: 'liquid', sense: 'at_most', limit: 0.5 },
        ],
      },
    })
    expect(answer).to.deep.include({ kind: 'contradiction', wishes: [0, 2] })
  })

  it('are refused in words when they are no wishes, or speak of a fat that is not there', async () => {
    const nothing = await problemOf(workshop.api(endpoints.nearestRecipe, { body: { ...request, wishes: [] } }))
    expect(nothing).to.include({ status: 400 })
    expect(nothing.errors?.[0]?.message).to.equal('Wish for something first.')
    const strange = { ...request, fats: [{ fatKey: 'moonbeam', share: 1, atTrace: false }] }
    const unknown = await problemOf(
      workshop.api(endpoints.nearestRecipe, { body: { ...strange, wishes: [{ kind: 'free_of', content: 'nut' }] } }),
    )
    expect(unknown).to.include({ status: 422 })
    expect(unknown.detail).to.contain('moonbeam')
  })
})
