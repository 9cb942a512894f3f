import { expect } from 'chai'
import fc from 'fast-check'
import { barsOfBoxes, boxesOf, pricesOfBars } from '../../src/release'

describe('the boxes of a month', () => {
  const subscriber = (name: string, monthlyBars: number, isPaused = false) => ({
    name,
    monthlyBars,
    isPaused,
    address: `${name}’s address`,
    wish: '',
  })

  it('go to everybody who is not paused, by name, each with the bars of the list', () => {
    const boxes = boxesOf([subscriber('Wren', 2), subscriber('Ada', 3), subscriber('Bo', 4, true)])
    expect(boxes.map(({ who, bars }) => `${who} ${bars}`)).to.deep.equal(['Ada 3', 'Wren 2'])
    expect(boxes[0]?.address).to.equal('Ada’s address')
    expect(barsOfBoxes(boxes)).to.equal(5)
  })

  it('share a price in whole cents, the first bars with what does not divide', () => {
    // 10.00 over 3 bars: 3.34, 3.33, 3.33.
    expect(pricesOfBars(1000, 3, 0, 3)).to.deep.equal([
      { bars: 1, priceCents: 334 },
      { bars: 2, priceCents: 333 },
    ])
    expect(pricesOfBars(1000, 3, 1, 2)).to.deep.equal([{ bars: 2, priceCents: 333 }])
    expect(pricesOfBars(1000, 3, 2, 3)).to.deep.equal([
      { bars: 1, priceCents: 333 },
      { bars: 2, priceCents: 0 },
    ])
    expect(() => pricesOfBars(1000, 0, 0, 1)).to.throw(RangeError)
    expect(() => pricesOfBars(10.5, 1, 0, 1)).to.throw(RangeError)
  })

  it('add up to the price, however they are sent', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100_000 }),
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 8 }),
        (totalCents, parcels) => {
          const all = parcels.reduce((sum, bars) => sum + bars, 0)
          let sent = 0
          let cents = 0
          for (const bars of parcels) {
            const priced = pricesOfBars(totalCents, all, sent, bars)
            expect(priced.reduce((sum, one) => sum + one.bars, 0)).to.equal(bars)
            cents += priced.reduce((sum, one) => sum + one.bars * one.priceCents, 0)
            sent += bars
          }
          expect(cents).to.equal(totalCents)
        },
      ),
    )
  })
})
