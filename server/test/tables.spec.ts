import type { LotTableQuery, RecordTableQuery, SaleTableQuery } from '@vendange/contract'
import { blankIngredient, endpoints } from '@vendange/contract'
import { everySale } from '@vendange/core/release'
import { everyLot } from '@vendange/core/stores'
import { expect } from 'chai'
import { releaseDay, releasedSoapIn } from './releasedSoap'
import type { TestWorkshop } from './workshopAtTest'
import { openTestWorkshop, problemOf } from './workshopAtTest'

describe('tables that the server sorts, narrows down and pages', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const sales = (query: Partial<SaleTableQuery> = {}) =>
    workshop.api(endpoints.sales, { body: { ...everySale, ...query } })
  const lots = (query: Partial<LotTableQuery> = {}) =>
    workshop.api(endpoints.lotTable, { body: { ...everyLot, ...query } })
  const everything: RecordTableQuery = {
    ...{ text: '', type: null, makerId: null, from: null, to: null },
    ...{ sortBy: 'at', isDescending: true, page: 1, perPage: 25 },
  }
  const happened = (query: Partial<RecordTableQuery> = {}) =>
    workshop.api(endpoints.loaves.happened, { body: { ...everything, ...query } })

  it('tells every sale, by soap, channel, buyer and day, and the newest at once', async () => {
    expect(await sales()).to.deep.include({ rows: [], total: 0, bars: 0, cents: 0 })
    const { soap } = await releasedSoapIn(workshop, 2)
    const { api } = workshop
    const sell = async (saleId: string, buyer: string, bars: number, channel: 'Web' | 'Stalls' = 'Web') => {
      await api(endpoints.release.allot, { body: { designId: soap.id, bars, channel, who: '', orderId: null } })
      const sale = { saleId, designId: soap.id, day: releaseDay, channel, buyer, bars, priceCents: 900, lotCode: '' }
      await api(endpoints.release.takeSales, { body: { sales: [sale] } })
    }
    await sell('s1', 'A. Buyer', 3)
    await sell('s2', 'B. Other', 2, 'Stalls')
    expect(await sales()).to.deep.include({ total: 2, bars: 5, cents: 4500 })
    expect((await sales({ channel: 'Stalls' })).rows.map(({ buyer }) => buyer)).to.deep.equal(['B. Other'])
    expect((await sales({ text: 'a. buyer' })).bars).to.equal(3)
    expect((await sales({ sortBy: 'bars', isDescending: false })).rows.map(({ bars }) => bars)).to.deep.equal([2, 3])
    expect((await sales({ perPage: 1, page: 2 })).rows).to.have.length(1)
    expect((await sales({ to: '2027-04-11' })).total).to.equal(0)
    await sell('s3', 'A. Buyer', 1)
    expect((await sales()).total).to.equal(3)
    expect((await sales()).facets).to.deep.equal({ soaps: [soap.name], channels: ['Stalls', 'Web'] })
  })

  it('tells every lot with how it stands, those that are used up among them', async () => {
    const { api } = workshop
    const oil = await api(endpoints.ingredients.create, {
      body: { ...blankIngredient, kind: 'fat', name: 'Olive oil', ref: 'olive' },
    })
    const lot = {
      ...{ ingredientId: oil.id, supplier: 'Mill', openedDay: null, isRecalled: false, adjustment: 0 },
      ...{ receivedAmount: 1000, priceCents: 900, carriageCents: 0, certificate: null, bestBeforeDay: null },
    }
    await api(endpoints.lots.create, { body: { ...lot, lotNumber: 'K-1', receivedDay: '2027-01-10' } })
    await api(endpoints.lots.create, {
      body: {
        ...lot,
        lotNumber: 'K-2',
        receivedDay: '2027-01-12',
        adjustment: -1000,
        supplier: 'Other',
        priceCents: 0,
      },
    })
    await api(endpoints.lots.create, { body: { ...lot, lotNumber: 'K-3', receivedDay: '2027-05-01' } })
    const told = (await lots()).rows.map(({ lotNumber, state, priceCents }) => [lotNumber, state, priceCents])
    expect(told).to.deep.equal([
      ['K-3', 'not_here', 900],
      ['K-2', 'empty', null],
      ['K-1', 'here', 900],
    ])
    expect((await lots({ state: 'empty' })).total).to.equal(1)
    expect((await lots({ supplier: 'Mill', text: 'olive' })).total).to.equal(2)
    expect((await lots({ kind: 'scent' })).total).to.equal(0)
    // Nothing known comes last, whichever way round.
    for (const isDescending of [true, false])
      expect((await lots({ sortBy: 'priceCents', isDescending })).rows.at(-1)?.lotNumber).to.equal('K-2')
    expect((await lots()).facets.suppliers).to.deep.equal(['Mill', 'Other'])
  })

  it('tells what happened to every loaf, by whom', async () => {
    const { maker, soap } = await releasedSoapIn(workshop, 1)
    const all = await happened()
    expect(all.rows.map(({ event }) => event.type)).to.deep.equal([
      ...['released', 'weighed', 'weighed', 'cut', 'unmoulded', 'poured'],
    ])
    expect(all.rows[0]).to.deep.include({ maker: maker.name, lotCode: '270308-1', soap: soap.name })
    expect((await happened({ type: 'weighed' })).total).to.equal(2)
    expect((await happened({ from: '2027-04-06' })).total).to.equal(2)
    expect((await happened({ to: '2027-03-10' })).total).to.equal(3)
    expect((await happened({ makerId: 'nobody' })).total).to.equal(0)
    // A mark of the language of databases is a letter like any other.
    expect((await happened({ text: '%' })).total).to.equal(0)
    expect((await happened({ text: '270308-1', isDescending: false, perPage: 1 })).rows[0]?.event.type).to.equal(
      'poured',
    )
    expect((await problemOf(happened({ perPage: 0 }))).status).to.equal(400)
  })
})
