import { expect } from 'chai'
import fc from 'fast-check'
import type { BatchPlan } from '../../src/batch'
import type { CostedSoap } from '../../src/plan'
import { channelEarnings, channelPrice, soapCost } from '../../src/plan'
import { listedPrices } from '../listedPrices'

const pricing = {
  hourCents: 1700,
  sharedHourCents: 100,
  packingCentsPerBar: 30,
  bevelMinutesPerBar: 1,
  stampMinutesPerBar: 0.5,
  barCents: 900,
  shopShare: 0.6,
  subscriberShare: 0.9,
}
/** Ten bars of 700 g of olive oil, 90 g of lye and 20 g of scent. */
const plan = {
  designName: 'Lantern Glass',
  scent: { name: 'Amber', rate: 0.03, supplierLimit: null },
  mouldName: 'Long loaf',
  mouldCount: 1,
  barsPlanned: 10,
  scaleResolutionG: 1,
  colours: [],
  weights: {
    fats: [{ fatKey: 'olive', name: 'Olive oil', massG: 700 }],
    naohG: 90,
    waterG: 180,
    scentG: 20,
    batterG: 990,
    pots: [],
  },
} as unknown as BatchPlan
const soap: CostedSoap = { plans: [plan], bevelled: false, stamped: false, hoursAPour: 4 }
const prices = listedPrices({ 'fat:olive': 900, 'alkali:naoh': 500, 'scent:amber': 10_000 })

describe('soapCost', () => {
  it('adds ingredients, packing and minutes up to a bar', () => {
    const cost = soapCost(soap, prices, pricing)!
    // 700 g at 9.00 a kg are 6.30, ten bars: 63 c each; scent 20 c, lye 4.5 c.
    expect(cost.ingredients.map(({ name, cents }) => `${name} ${cents!.toFixed(2)}`)).to.deep.equal([
      'Olive oil 63.00',
      'Amber 20.00',
      'Sodium hydroxide 4.50',
    ])
    expect(cost.packing).to.deep.equal({ cents: 30, source: 'estimate' })
    // Four hours over ten bars: 24 minutes at 30 c.
    expect(cost.minutes).to.equal(24)
    expect(cost.workCents).to.equal(720)
    expect(cost.costCents).to.be.closeTo(837.5, 1e-9)
    expect(cost.source).to.equal('estimate')
  })

  it('says what changes it most: one bar more shares what a batch costs, half an hour less saves its rate', () => {
    const { levers } = soapCost(soap, prices, pricing)!
    expect(levers.map(({ kind }) => kind)).to.deep.equal(['sooner', 'bar_more', 'cheaper'])
    expect(levers[0]?.cents).to.be.closeTo(90, 1e-9)
    // (87.5 + 720) of a bar shared by eleven instead of ten.
    expect(levers[1]?.cents).to.be.closeTo(807.5 / 11, 1e-9)
    expect(levers[2]?.cents).to.be.closeTo(6.3, 1e-9)
  })

  it('leaves what has no price out of the sum and names it last', () => {
    const cost = soapCost(soap, listedPrices({ 'fat:olive': 900 }), pricing)!
    expect(cost.ingredientCents).to.equal(63)
    expect(
      cost.ingredients.filter(({ cents }) => cents === undefined).map(({ name, ref }) => `${name} ${ref}`),
    ).to.deep.equal(['Amber ', 'Sodium hydroxide naoh'])
  })

  it('counts bevelling and stamping by the bar, pours together, and gives nothing for no bars', () => {
    const finished = soapCost({ ...soap, bevelled: true, stamped: true }, prices, pricing)!
    expect(finished.minutes).to.equal(25.5)
    const twice = soapCost({ ...soap, plans: [plan, plan] }, prices, pricing)!
    expect(twice.bars).to.equal(20)
    expect(twice.costCents).to.be.closeTo(soapCost(soap, prices, pricing)!.costCents, 1e-9)
    expect(soapCost({ ...soap, plans: [] }, prices, pricing)).to.equal(undefined)
  })
})

describe('channelEarnings', () => {
  it('is what is left of each price once its costs are paid, without tax', () => {
    const cost = { costCents: 500, workCents: 300, minutes: 10 }
    const tax = { taxName: 'VAT', taxShare: 0.2, isTaxIncluded: true }
    const of = Object.fromEntries(channelEarnings(cost, 900, pricing, tax).map((one) => [one.channel, one]))
    // 9.00 with 20 % in it is 7.50; of it 5.00 is its cost.
    expect(of['Web']).to.deep.equal({
      channel: 'Web',
      priceCents: 900,
      profitCents: 250,
      marginShare: 250 / 750,
      hourCents: 3300,
    })
    // Shops pay 5.40, which is 4.50 without tax.
    expect(of['Shops']?.profitCents).to.equal(-50)
    expect(of['Shops']?.hourCents).to.equal(1500)
    expect(channelPrice('Subscribers', 905, pricing)).to.equal(815)
  })

  it('brings what the rate says where it brings no more than its costs', () => {
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 5000 }), fc.integer({ min: 1, max: 60 }), (costCents, minutes) => {
        const cost = { costCents, workCents: minutes * 30, minutes }
        const untaxed = { taxName: '', taxShare: 0, isTaxIncluded: true }
        const [web] = channelEarnings(cost, costCents, pricing, untaxed)
        expect(web?.profitCents).to.equal(0)
        expect(web?.hourCents).to.be.closeTo(1800, 1e-6)
      }),
    )
  })
})
