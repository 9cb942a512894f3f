import { expect } from 'chai'
import { bevellingCharge, lessonsForReissue, totalOfOrder } from '../../src/plan'

const untaxed = { taxName: '', taxShare: 0.2, isTaxIncluded: false }
const pricing = { bevelCentsPerBar: 35 }

describe('what is charged on an order', () => {
  it('has the edges that its quote does not have', () => {
    expect(bevellingCharge(24, { bevelled: false }, pricing)).to.equal(840)
  })

  it('has nothing twice, and nothing that costs nothing', () => {
    expect(bevellingCharge(24, { bevelled: true }, pricing)).to.equal(undefined)
    expect(bevellingCharge(0, { bevelled: false }, pricing)).to.equal(undefined)
    expect(bevellingCharge(24, { bevelled: false }, { bevelCentsPerBar: 0 })).to.equal(undefined)
  })

  it('is added to the price, and the deposit is taken off what is open', () => {
    const charges = [{ cents: 840 }, { cents: 160 }]
    expect(totalOfOrder({ priceCents: 12_000, charges, depositCents: 4000 }, untaxed)).to.deep.equal({
      taxCents: 0,
      allCents: 13_000,
      openCents: 9000,
    })
    expect(totalOfOrder({ priceCents: null, charges: [], depositCents: 0 }, untaxed)).to.deep.equal({
      taxCents: 0,
      allCents: 0,
      openCents: 0,
    })
  })

  it('is taxed as the workshop states its prices', () => {
    const order = { priceCents: 12_000, charges: [{ cents: 300 }], depositCents: 4000 }
    // 123.00 with 23 % in it is 100.00 and 23.00; put on top it is 28.29 more.
    const vat = { taxName: 'VAT', taxShare: 0.23 }
    expect(totalOfOrder(order, { ...vat, isTaxIncluded: true })).to.deep.equal({
      taxCents: 2300,
      allCents: 12_300,
      openCents: 8300,
    })
    expect(totalOfOrder(order, { ...vat, isTaxIncluded: false })).to.deep.equal({
      taxCents: 2829,
      allCents: 15_129,
      openCents: 11_129,
    })
  })
})

describe('lessonsForReissue', () => {
  it('has what the faults of its bars taught, each once', () => {
    const lessons = lessonsForReissue({
      notesForNextTime: 'Less blue\n',
      loafNotes: [],
      faults: ['Ash last time.', 'Ash last time.', 'Cracks last time.'],
    })
    expect(lessons.map(({ text }) => text)).to.have.length(3)
    expect(lessons[1]).to.deep.equal({
      text: 'Ash last time.',
      standing: 'open',
    })
  })
})
