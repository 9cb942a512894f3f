import { expect } from 'chai'
import fc from 'fast-check'
import type { QuotePricePart } from '../../src/plan'
import { clientLines, depositAsked, quoteEarnings, taxedPrice } from '../../src/plan'

const priceParts: readonly QuotePricePart[] = [
  { of: 'ingredients', cents: 11_200 },
  { of: 'work', cents: 24_000 },
  { of: 'packing', cents: 4200 },
  { of: 'stamp', cents: 6500 },
  { of: 'margin', cents: 4590 },
]

describe('a quote for its client', () => {
  it('tells bars, packing and stamp, and nothing of hours, ingredients or margin', () => {
    expect(clientLines({ priceParts })).to.deep.equal([
      // 112.00 + 240.00 + 45.90
      { of: 'bars', cents: 39_790 },
      { of: 'packing', cents: 4200 },
      { of: 'stamp', cents: 6500 },
    ])
  })

  it('has lines that add up to the price, whatever it is made of', () => {
    const part = fc.record({
      of: fc.constantFrom<QuotePricePart['of']>('ingredients', 'work', 'packing', 'bevelling', 'stamp', 'margin'),
      cents: fc.integer({ min: 0, max: 1_000_000 }),
    })
    fc.assert(
      fc.property(fc.array(part), (parts) => {
        const sum = (all: readonly { cents: number }[]): number => all.reduce((cents, one) => cents + one.cents, 0)
        expect(sum(clientLines({ priceParts: parts }))).to.equal(sum(parts))
      }),
    )
  })

  it('splits a price with tax in it, or puts it on top, so that net and tax add up', () => {
    const terms = fc.record({
      taxName: fc.constantFrom('', 'VAT'),
      taxShare: fc.double({ min: 0, max: 0.5, noNaN: true }),
      isTaxIncluded: fc.boolean(),
    })
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 10_000_000 }), terms, (cents, tax) => {
        const { netCents, taxCents, grossCents } = taxedPrice(cents, tax)
        expect(netCents + taxCents).to.equal(grossCents)
        expect(tax.isTaxIncluded ? grossCents : netCents).to.equal(cents)
        if (tax.taxName === '') expect(taxCents).to.equal(0)
      }),
    )
    expect(taxedPrice(12_300, { taxName: 'VAT', taxShare: 0.23, isTaxIncluded: true })).to.deep.equal({
      netCents: 10_000,
      taxCents: 2300,
      grossCents: 12_300,
    })
  })

  it('asks for its deposit of what is paid, to a cent', () => {
    expect(depositAsked({ grossCents: 50_490 }, 0.3)).to.equal(15_147)
  })

  it('leaves for the work what is neither spent nor tax', () => {
    // 504.90 with 23 % in it is 410.49 without; 219.00 of it is spent; 191.49 for 12 h is 15.96 an hour.
    const tax = { taxName: 'VAT', taxShare: 0.23, isTaxIncluded: true }
    expect(quoteEarnings({ priceParts, hours: 12 }, tax)).to.deep.equal({
      spentCents: 21_900,
      leftCents: 19_149,
      leftAnHourCents: 1596,
      // All but the margin is 459.00; with the tax on it 564.57, more than the price: it does not bring its costs in.
      costCents: 45_900,
      floorCents: 56_457,
      marginShare: (41_049 - 45_900) / 41_049,
    })
    expect(quoteEarnings({ priceParts, hours: 0 }, tax).leftAnHourCents).to.equal(undefined)
  })
})
