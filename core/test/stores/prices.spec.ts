import { expect } from 'chai'
import fc from 'fast-check'
import type { Ingredient, ListPrice, Lot } from '../../src/stores'
import { costOf, packingCost, pricesOf, weakestSource } from '../../src/stores'

const today = '2027-03-08'
const olive: Ingredient & ListPrice = {
  id: 'olive',
  kind: 'fat',
  name: 'Olive oil',
  ref: 'olive',
  leadDays: 0,
  packSize: 0,
  perBar: 0,
  densityGMl: null,
  makeup: null,
  inci: '',
  listCents: 0,
  isListEstimate: true,
}
type LotOfStores = Lot & { readonly ingredientId: string }
const lot = (over: Partial<LotOfStores> = {}): LotOfStores => ({
  id: 'a',
  ingredientId: 'olive',
  supplier: '',
  lotNumber: '',
  receivedDay: '2027-01-01',
  bestBeforeDay: null,
  isRecalled: false,
  receivedAmount: 1000,
  leftAmount: 1000,
  priceCents: 900,
  ...over,
})
const key = 'fat:olive'

describe('costOf', () => {
  it('goes through the lots from the oldest on, carriage included, then on at the newest one’s price', () => {
    const lots = [
      lot({ id: 'old', receivedDay: '2026-05-01', leftAmount: 400, carriageCents: 100 }),
      lot({ id: 'new', receivedDay: '2027-02-01', priceCents: 1200 }),
    ]
    const prices = pricesOf([olive], lots, today)
    // A gram of the old lot cost a cent with its carriage, of the new 1.2.
    expect(costOf(prices, key, 300)).to.deep.equal({ cents: 300, source: 'lots' })
    expect(costOf(prices, key, 900)).to.deep.equal({ cents: 400 + 500 * 1.2, source: 'lots' })
    expect(costOf(prices, key, 2400)).to.deep.equal({ cents: 400 + 2000 * 1.2, source: 'lots' })
  })

  it('takes a list where no delivery has a price, and says when that is an estimate', () => {
    const free = [lot({ priceCents: 0 })]
    expect(costOf(pricesOf([olive], free, today), key, 500)).to.equal(undefined)
    const listed = { ...olive, listCents: 850, isListEstimate: false }
    expect(costOf(pricesOf([listed], free, today), key, 500)).to.deep.equal({ cents: 425, source: 'list' })
    expect(costOf(pricesOf([{ ...listed, isListEstimate: true }], [], today), key, 500)?.source).to.equal('estimate')
    expect(costOf(pricesOf([listed], [], today), 'fat:shea', 500)).to.equal(undefined)
  })

  it('passes over what may not be used, and prices pieces by the piece', () => {
    const lots = [lot({ bestBeforeDay: '2027-02-01' }), lot({ id: 'b', receivedDay: '2027-02-02', priceCents: 2000 })]
    expect(costOf(pricesOf([olive], lots, today), key, 100)?.cents).to.equal(200)
    const box = { ...olive, id: 'box', kind: 'packaging' as const, name: 'Box', ref: '', perBar: 2, listCents: 25 }
    expect(costOf(pricesOf([box], [], today), 'packaging:box', 4)?.cents).to.equal(100)
  })

  it('costs more of more, and two amounts after each other as much as both at once', () => {
    const amount = fc.double({ min: 0, max: 5000, noNaN: true })
    fc.assert(
      fc.property(amount, amount, fc.integer({ min: 1, max: 5000 }), (first, more, cents) => {
        const prices = pricesOf([olive], [lot(), lot({ id: 'b', priceCents: cents, leftAmount: 700 })], today)
        const costOfBoth = costOf(prices, key, first + more)!.cents
        expect(costOfBoth).to.be.at.least(costOf(prices, key, first)!.cents - 1e-6)
      }),
    )
  })
})

describe('packingCost', () => {
  const box = { ...olive, id: 'box', kind: 'packaging' as const, name: 'Box', ref: '', perBar: 1, listCents: 22 }
  it('is what the stores keep for each bar, else the workshop’s estimate', () => {
    expect(packingCost(pricesOf([box], [], today), 10, 35)).to.deep.equal({ cents: 220, source: 'estimate' })
    const paid = lot({ ingredientId: 'box', receivedAmount: 320, leftAmount: 320, priceCents: 7040 })
    expect(packingCost(pricesOf([box], [paid], today), 10, 35)).to.deep.equal({ cents: 220, source: 'lots' })
    expect(packingCost([], 10, 35)).to.deep.equal({ cents: 350, source: 'estimate' })
    expect(packingCost(pricesOf([{ ...box, listCents: 0 }], [], today), 10, 35).cents).to.equal(350)
  })
})

describe('weakestSource', () => {
  it('is what a sum is told by', () => {
    expect(weakestSource(['lots', 'estimate', 'list'])).to.equal('estimate')
    expect(weakestSource(['lots', 'list', 'lots'])).to.equal('list')
    expect(weakestSource([])).to.equal(undefined)
  })
})
