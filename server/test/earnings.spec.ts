import { blankIngredient, endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { releasedSoapIn, releaseDay } from './releasedSoap'
import type { TestWorkshop } from './workshopAtTest'
import { openTestWorkshop, problemOf } from './workshopAtTest'

describe('what was earned', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const year = { from: '2027-01-01', to: '2027-12-31' }

  it('follows a sale to its pour and to what its lots cost', async () => {
    const { api } = workshop
    // All of its olive oil comes from one lot at a cent a gram, carriage included.
    const oil = await api(endpoints.ingredients.create, {
      body: { ...blankIngredient, kind: 'fat', name: 'Olive oil', ref: 'olive' },
    })
    await api(endpoints.lots.create, {
      body: {
        ingredientId: oil.id,
        supplier: '',
        lotNumber: 'K-1',
        receivedDay: '2027-01-10',
        openedDay: null,
        bestBeforeDay: null,
        isRecalled: false,
        receivedAmount: 10_000,
        adjustment: 0,
        priceCents: 9000,
        carriageCents: 1000,
        certificate: null,
      },
    })
    const { soap, loafIds, batchId } = await releasedSoapIn(workshop, 2)
    const nothingYet = await api(endpoints.earnings, { body: { ...year, by: 'soap' } })
    expect(nothingYet.rows).to.deep.equal([])
    await api(endpoints.release.allot, {
      body: { designId: soap.id, bars: 6, channel: 'Web', who: 'the drop', orderId: null },
    })
    const sale = { saleId: 's-1', day: releaseDay, designId: soap.id, lotCode: '', channel: 'Web', bars: 4 } as const
    await api(endpoints.release.takeSales, { body: { sales: [{ ...sale, buyer: 'Ada', priceCents: 900 }] } })

    const earned = await api(endpoints.earnings, { body: { ...year, by: 'soap' } })
    const [row] = earned.rows
    expect(row).to.deep.include({ name: soap.name, bars: 4, takenCents: 3600 })
    const { lotsUsed } = await api(endpoints.loaves.view, { params: { id: loafIds[0]! } })
    const usedG = lotsUsed.reduce((sum, { amount }) => sum + amount, 0)
    expect(usedG).to.be.above(500)
    // Two loaves of ten bars.
    expect(row?.ingredientCents).to.be.closeTo((4 * usedG) / 20, 1e-6)
    // Lye and the rest are not kept in the stores.
    expect(row?.lacksPrices).to.equal(true)
    const april = earned.months.find(({ month }) => month === '2027-04')
    expect(april?.storesCents).to.be.closeTo(10_000 - usedG, 1e-6)
    expect(april?.barsCents).to.be.closeTo((usedG * 16) / 20, 1e-6)
    expect(earned.yields[0]).to.deep.include({ soap: soap.name, barsOut: 20, pours: 1 })

    // What is sold after it was read counts as well.
    await api(endpoints.release.takeSales, {
      body: { sales: [{ ...sale, saleId: 's-2', bars: 1, buyer: 'Wren', priceCents: null }] },
    })
    const later = await api(endpoints.earnings, { body: { ...year, by: 'channel' } })
    expect(later.rows[0]).to.deep.include({ name: 'Web', bars: 5, barsWithoutPrice: 1, takenCents: 3600 })
    expect(batchId).to.be.a('string')
  })

  it('is asked for days in their order', async () => {
    const asked = { from: '2027-05-01', to: '2027-04-01', by: 'soap' } as const
    const refused = await problemOf(workshop.api(endpoints.earnings, { body: asked }))
    expect(refused.errors?.find(({ field }) => field === 'to')?.message).to.equal('The last day lies before the first.')
  })
})
