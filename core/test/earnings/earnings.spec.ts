import { expect } from 'chai'
import fc from 'fast-check'
import type { Ledger, MadeBatch, SoldBars } from '../../src/earnings'
import {
  costsOfBar,
  earningGroups,
  earningInAll,
  earningsBy,
  monthsOfWork,
  movesOfBars,
  yieldsBySoap,
} from '../../src/earnings'
import { writeEarningsCsv } from '../../src/earnings/csv'
import { saleChannels } from '../../src/loaf'

const made = (over: Partial<MadeBatch> = {}): MadeBatch => ({
  batchId: 'a',
  soap: 'Lantern Glass',
  collection: 'Night Train',
  pourDay: '2027-01-10',
  cutDay: '2027-01-12',
  ingredientCents: 1800,
  lacksPrices: false,
  plannedHours: 3,
  benchHours: 2,
  cutHours: 0.5,
  finishMinutes: 30,
  barsPlanned: 20,
  barsOut: 18,
  barsLost: 0,
  failedLoaves: 0,
  ...over,
})
const sold = (over: Partial<SoldBars> = {}): SoldBars => ({
  batchId: 'a',
  day: '2027-03-02',
  channel: 'Web',
  order: '',
  bars: 1,
  priceCents: 1230,
  ...over,
})
const rates = { hourCents: 1800, sharedHourCents: 180, packingCents: 20 }
const tax = { taxName: 'VAT', taxShare: 0.23, isTaxIncluded: true }
const untaxed = { taxName: '', taxShare: 0, isTaxIncluded: true }
const year = { from: '2027-01-01', to: '2027-12-31' }

describe('costsOfBar', () => {
  it('shares what a pour took among the bars that can be sold of it', () => {
    // 2 h at the bench, half an hour of cutting, half an hour of finishing: 3 h over 18 bars.
    expect(costsOfBar(made(), rates)).to.deep.equal({
      ingredientCents: 100,
      packingCents: 20,
      workCents: 300,
      sharedCents: 30,
      hours: 1 / 6,
    })
    // Two that were downgraded are paid for by the other sixteen.
    expect(costsOfBar(made({ barsLost: 2 }), rates).ingredientCents).to.equal(1800 / 16)
    // Hours that nobody wrote down count as planned.
    expect(costsOfBar(made({ benchHours: null }), rates).hours).to.equal(4 / 18)
  })
})

describe('earningsBy', () => {
  it('takes costs and tax off what bars brought', () => {
    const ledger: Ledger = { batches: [made()], sales: [sold({ bars: 3 })], charges: [] }
    const [row] = earningsBy('soap', ledger, year, rates, tax)
    // 36.90 with 23 % in it is 30.00; costs are 1.00 + 0.20 + 3.00 + 0.30 a bar.
    expect(row).to.deep.include({ name: 'Lantern Glass', bars: 3, takenCents: 3000, profitCents: 3000 - 3 * 450 })
    // Half an hour of work is paid 9.00 and what is left.
    expect(row?.perHourCents).to.equal((1650 + 900) / 0.5)
  })

  it('tells one thing by soap, collection, channel, order and month', () => {
    const ledger: Ledger = {
      batches: [made(), made({ batchId: 'b', soap: 'Rope', collection: 'Regatta' })],
      sales: [
        sold(),
        sold({ batchId: 'b', channel: 'Orders', order: 'The Quay', day: '2027-04-01', priceCents: 1000 }),
        sold({ batchId: 'b', channel: 'Orders', order: 'The Quay', day: '2028-04-01' }),
      ],
      charges: [{ day: '2027-05-01', order: 'The Quay', cents: 500 }],
    }
    const of = (group: (typeof earningGroups)[number]) =>
      earningsBy(group, ledger, year, rates, untaxed).map(({ name, takenCents }) => `${name} ${takenCents}`)
    expect(of('soap')).to.deep.equal(['Lantern Glass 1230', 'Rope 1000'])
    expect(of('collection')).to.deep.equal(['Night Train 1230', 'Regatta 1000'])
    expect(of('channel')).to.deep.equal(['Orders 1500', 'Web 1230'])
    expect(of('order')).to.deep.equal(['The Quay 1500'])
    expect(of('month')).to.deep.equal(['2027-03 1230', '2027-04 1000', '2027-05 500'])
  })

  it('says what it does not know: a price nobody wrote down, an ingredient without one', () => {
    const ledger: Ledger = {
      batches: [made({ lacksPrices: true })],
      sales: [sold({ priceCents: null, bars: 2 }), sold({ priceCents: 0 })],
      charges: [],
    }
    const [row] = earningsBy('soap', ledger, year, rates, untaxed)
    expect(row).to.deep.include({ bars: 3, barsWithoutPrice: 2, takenCents: 0, lacksPrices: true })
  })

  it('is the same in all whichever way it is divided, and by months', () => {
    const sale = fc.record({
      batchId: fc.constantFrom('a', 'b'),
      day: fc.constantFrom('2027-02-01', '2027-03-05', '2027-11-30'),
      channel: fc.constantFrom(...saleChannels),
      bars: fc.integer({ min: 1, max: 40 }),
      priceCents: fc.integer({ min: 0, max: 3000 }),
      order: fc.constant(''),
    })
    fc.assert(
      fc.property(fc.array(sale, { maxLength: 30 }), (sales) => {
        const ledger: Ledger = {
          batches: [made(), made({ batchId: 'b', soap: 'Rope', barsOut: 9 })],
          sales,
          charges: [],
        }
        const all = (['soap', 'collection', 'channel', 'month'] as const).map((group) =>
          earningInAll(earningsBy(group, ledger, year, rates, tax)),
        )
        for (const one of all) {
          expect(one.bars).to.equal(sales.reduce((sum, { bars }) => sum + bars, 0))
          expect(one.profitCents).to.be.closeTo(all[0]!.profitCents, 1e-3)
          expect(one.hours).to.be.closeTo(all[0]!.hours, 1e-3)
        }
      }),
    )
  })
})

describe('monthsOfWork', () => {
  it('tells what stood in the stores and on the racks at the end of each month', () => {
    const sales = [sold({ bars: 9 }), sold({ bars: 9, day: '2027-04-30' })]
    const stores = [
      { day: '2026-11-01', cents: 5000 },
      { day: '2027-01-10', cents: -1800 },
      { day: '2027-03-31', cents: 700 },
    ]
    const earned = earningsBy('month', { batches: [made()], sales, charges: [] }, year, rates, untaxed)
    const months = monthsOfWork({ from: '2026-12-05', to: '2027-04-02' }, earned, stores, movesOfBars([made()], sales))
    expect(months.map(({ month, storesCents, barsCents }) => `${month} ${storesCents} ${barsCents}`)).to.deep.equal([
      '2026-12 5000 0',
      '2027-01 3200 1800',
      '2027-02 3200 1800',
      '2027-03 3900 900',
      '2027-04 3900 0',
    ])
    expect(months.map(({ takenCents }) => takenCents)).to.deep.equal([0, 0, 0, 9 * 1230, 9 * 1230])
  })
})

describe('yieldsBySoap', () => {
  it('tells bars got of those hoped for, worst first, and hours of the pours that were timed', () => {
    const batches = [
      made(),
      made({ batchId: 'b', barsOut: 19, benchHours: null }),
      made({ batchId: 'c', soap: 'Rope', barsOut: 10, barsLost: 1, failedLoaves: 1 }),
      made({ batchId: 'd', soap: 'Not cut', cutDay: null }),
      made({ batchId: 'e', soap: 'Last year', pourDay: '2026-01-01' }),
    ]
    const [worst, best, ...rest] = yieldsBySoap(batches, year)
    expect(rest).to.deep.equal([])
    expect(worst).to.deep.include({ soap: 'Rope', yieldShare: 9 / 20, failedLoaves: 1 })
    expect(best).to.deep.include({ soap: 'Lantern Glass', pours: 2, barsPlanned: 40, barsOut: 37 })
    expect(best?.hours).to.deep.equal({ planned: 3, taken: 2 })
  })
})

describe('writeEarningsCsv', () => {
  it('is money to the cent, and no name is reckoned with', () => {
    const ledger: Ledger = { batches: [made({ soap: '=1+1' })], sales: [sold({ bars: 3 })], charges: [] }
    expect(writeEarningsCsv(earningsBy('soap', ledger, year, rates, tax)).split('\n')).to.deep.equal([
      'name,bars,taken,ingredients,packing,work,shared,profit,hours,an hour',
      '"\'=1+1",3,30,3,0.6,9,0.9,16.5,0.5,51',
    ])
  })
})
