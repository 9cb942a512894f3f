import { expect } from 'chai'
import { lotPriceCents, unitPriceCents } from '../../src/stores'

describe('the price of a lot', () => {
  it('is told by the kilo or by the piece, and comes back from it', () => {
    // 18.40 for 2.5 kg is 7.36 a kilo; 12.00 for 48 boxes is 0.25 each.
    expect(unitPriceCents({ priceCents: 1840, receivedAmount: 2500 }, 'fat')).to.be.closeTo(736, 1e-9)
    expect(lotPriceCents(736, 2500, 'fat')).to.equal(1840)
    expect(unitPriceCents({ priceCents: 1200, receivedAmount: 48 }, 'packaging')).to.equal(25)
    expect(lotPriceCents(25, 48, 'packaging')).to.equal(1200)
  })

  it('is nothing while nothing has come', () => {
    expect(unitPriceCents({ priceCents: 1200, receivedAmount: 0 }, 'fat')).to.equal(0)
  })
})
