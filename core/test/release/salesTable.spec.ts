import { expect } from 'chai'
import { everySale, pageOfSales } from '../../src/release'
import type { SaleRow } from '../../src/release'
import { parseSalesCsv, writeSalesCsv } from '../../src/release/csv'

const sale = (saleId: string, more: Partial<SaleRow> = {}): SaleRow => ({
  ...{ key: saleId, saleId, loafId: 'l1', lotCode: '270210-1', soap: 'Platform Fog', day: '2027-04-10' },
  ...{ channel: 'Web', buyer: 'A. Buyer', bars: 2, priceCents: 850 },
  ...more,
})
const rows = [
  sale('s1'),
  sale('s2', { day: '2027-04-11', channel: 'Stalls', buyer: '', priceCents: null }),
  sale('s3', { soap: 'Dining Car', day: '2027-04-12', bars: 5, buyer: '=1+1' }),
]

describe('a table of sales', () => {
  it('adds up what fits, a price that is not known as nothing', () => {
    const { bars, cents, total } = pageOfSales(rows, everySale)
    expect([bars, cents, total]).to.deep.equal([9, 7 * 850, 3])
    const stalls = pageOfSales(rows, { ...everySale, channel: 'Stalls' })
    expect([stalls.bars, stalls.cents]).to.deep.equal([2, 0])
    expect(pageOfSales(rows, { ...everySale, perPage: 1 })).to.deep.include({ bars: 9, total: 3 })
    expect(pageOfSales(rows, { ...everySale, from: '2027-04-11', to: '2027-04-11' }).total).to.equal(1)
  })

  it('goes out as a table that comes in again as it was', () => {
    const read = parseSalesCsv(writeSalesCsv(rows))
    expect(read.ok).to.equal(true)
    const told = read.ok ? read.sales.map(({ saleId, bars, priceCents }) => [saleId, bars, priceCents]) : []
    expect(told).to.deep.equal([
      ['s1', 2, 850],
      ['s2', 2, null],
      ['s3', 5, 850],
    ])
    // A spreadsheet reckons with nothing of it.
    expect(writeSalesCsv(rows)).to.contain(`'=1+1`)
  })
})
