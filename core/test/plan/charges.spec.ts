import { expect } from 'chai'
import { chargeForBevelling, lessonsForReissue, totalOfOrder } from '../../src/plan'

const bevelling = { day: '2027-03-12', lotCode: '270308-1' }
const pricing = { bevelCentsPerBar: 35 }

describe('what is charged on an order', () => {
  it('has the edges that its quote does not have', () => {
    expect(chargeForBevelling(24, bevelling, { bevelled: false }, pricing)).to.deep.equal({
      day: '2027-03-12',
      what: 'Bevelling 24 bars of lot 270308-1',
      cents: 840,
    })
  })

  it('has nothing twice, and nothing that costs nothing', () => {
    expect(chargeForBevelling(24, bevelling, { bevelled: true }, pricing)).to.equal(undefined)
    expect(chargeForBevelling(0, bevelling, { bevelled: false }, pricing)).to.equal(undefined)
    expect(chargeForBevelling(24, bevelling, { bevelled: false }, { bevelCentsPerBar: 0 })).to.equal(undefined)
  })

  it('is added to the price, and the deposit is taken off what is open', () => {
    const charges = [{ cents: 840 }, { cents: 160 }]
    expect(totalOfOrder({ priceCents: 12_000, charges, depositCents: 4000 })).to.deep.equal({
      allCents: 13_000,
      openCents: 9000,
    })
    expect(totalOfOrder({ priceCents: null, charges: [], depositCents: 0 })).to.deep.equal({
      allCents: 0,
      openCents: 0,
    })
  })
})

describe('lessonsForReissue', () => {
  it('has what the faults of its bars taught, each once', () => {
    const lessons = lessonsForReissue({
      notesForNextTime: 'Less blue\n',
      loafNotes: [],
      faults: ['ash', 'ash', 'cracks'],
    })
    expect(lessons.map(({ text }) => text)).to.have.length(3)
    expect(lessons[1]).to.deep.equal({
      text: 'Ash last time. Alcohol on the top (away from flames and ovens), a cover; plane or steam it off.',
      standing: 'open',
    })
  })
})
