import { blankIngredient, endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { pourUpTo } from './pouring'
import type { TestWorkshop } from './workshopAtTest'
import { firstDay, furnish, openTestWorkshop, problemOf } from './workshopAtTest'

describe('infused oils', () => {
  let workshop: TestWorkshop
  beforeEach(async () => {
    workshop = await openTestWorkshop()
  })
  afterEach(() => workshop.close())

  const delivery = {
    supplier: 'Mill',
    lotNumber: 'K-1',
    receivedDay: '2027-01-10',
    openedDay: null,
    bestBeforeDay: null,
    isRecalled: false,
    receivedAmount: 5000,
    adjustment: 0,
    priceCents: 4500,
    carriageCents: 0,
    certificate: null,
  }
  const stocked = async () => {
    const { api } = workshop
    const oil = await api(endpoints.ingredients.create, {
      body: { ...blankIngredient, kind: 'fat', name: 'Olive oil', ref: 'olive' },
    })
    const herb = await api(endpoints.ingredients.create, { body: { ...blankIngredient, name: 'Marigold petals' } })
    const lot = await api(endpoints.lots.create, { body: { ...delivery, ingredientId: oil.id } })
    await api(endpoints.lots.create, {
      body: { ...delivery, ingredientId: herb.id, lotNumber: 'H-1', receivedAmount: 100, priceCents: 500 },
    })
    return { oil, herb, lot }
  }
  const infusion = (oilId: string, herbId: string | null, more = {}) => ({
    oilId,
    oilG: 1000,
    herbId,
    herb: 'Marigold petals',
    herbG: 80,
    days: 28,
    name: 'Marigold oil',
    ...more,
  })
  const leftOf = async (lotNumber: string): Promise<number | undefined> =>
    (await workshop.api(endpoints.stores)).lots.find((one) => one.lotNumber === lotNumber)?.leftAmount

  it('is taken off the oil and the herb at once, steeps, and is there once it is strained', async () => {
    const { api } = workshop
    const { oil, herb } = await stocked()
    const lot = await api(endpoints.infusions.start, { body: infusion(oil.id, herb.id) })
    expect([await leftOf('K-1'), await leftOf('H-1')]).to.deep.equal([4000, 20])
    // 80 g of herb keep 96 g back; 900 and 400 cents went in.
    expect(lot).to.deep.include({
      lotNumber: 'I270308',
      receivedDay: '2027-04-05',
      receivedAmount: 904,
      priceCents: 1300,
    })
    // It is reckoned as the oil it is of.
    const season = await api(endpoints.season)
    const own = season.knownFats.find(({ name }) => name === 'Marigold oil')
    const olive = { min: 184, typical: 190, max: 196 }
    expect(own?.saponificationValue.typical).to.equal(olive.typical)
    const strain = (yieldG: number, version = lot.version) =>
      api(endpoints.infusions.strain, { params: { id: lot.id }, body: { yieldG, version } })
    expect((await problemOf(strain(1200))).detail).to.contain('No more comes out than')
    expect((await problemOf(strain(880, lot.version + 1))).status).to.equal(409)
    workshop.setDay('2027-04-06')
    const strained = await strain(880)
    expect(strained).to.deep.include({ receivedAmount: 880, receivedDay: '2027-04-06' })
    expect(strained.infusion?.isStrained).to.equal(true)
    expect((await problemOf(strain(880, strained.version))).detail).to.equal(
      'This lot is no infusion that still steeps.',
    )
    // The next one is reckoned by it: 120 g stayed in 80 g.
    const next = await api(endpoints.infusions.start, { body: infusion(oil.id, null, { herbG: 40 }) })
    expect([next.ingredientId, next.receivedAmount]).to.deep.equal([lot.ingredientId, 940])
  })

  it('puts back what it took where it is given up, and takes it again where it comes back', async () => {
    const { api } = workshop
    const { oil, herb } = await stocked()
    const lot = await api(endpoints.infusions.start, { body: infusion(oil.id, herb.id) })
    const { version } = await api(endpoints.lots.remove, { params: { id: lot.id }, body: { version: lot.version } })
    expect([await leftOf('K-1'), await leftOf('H-1')]).to.deep.equal([5000, 100])
    await api(endpoints.lots.restore, { params: { id: lot.id }, body: { version } })
    expect([await leftOf('K-1'), await leftOf('H-1')]).to.deep.equal([4000, 20])
  })

  it('takes no more than is there', async () => {
    const { oil, herb } = await stocked()
    const start = (more: object) =>
      problemOf(workshop.api(endpoints.infusions.start, { body: infusion(oil.id, herb.id, more) }))
    expect((await start({ oilG: 5001 })).detail).to.equal('Of Olive oil only 5000 g are there to take.')
    expect((await start({ herbG: 101 })).detail).to.equal('Of Marigold petals only 100 g are there to take.')
    expect((await start({ oilId: herb.id, oilG: 10 })).status).to.equal(422)
    expect([await leftOf('K-1'), await leftOf('H-1')]).to.deep.equal([5000, 100])
  })

  it('is called back with the oil that it is of, and traced through it', async () => {
    const { api } = workshop
    const { oil, herb, lot: mill } = await stocked()
    const lot = await api(endpoints.infusions.start, { body: infusion(oil.id, herb.id, { oilG: 4000 }) })
    workshop.setDay('2027-02-01')
    workshop.setDay(firstDay)
    await api(endpoints.infusions.strain, { params: { id: lot.id }, body: { yieldG: 3900, version: lot.version } })
    const furnished = await furnish(workshop, { mouldCount: 1 })
    const { id, version, isRemoved: _removed, ...recipe } = furnished.recipe
    const fatKey = (await api(endpoints.season)).knownFats.find(({ name }) => name === 'Marigold oil')?.key ?? ''
    await api(endpoints.recipes.update, {
      params: { id },
      body: { ...recipe, fats: [{ fatKey, share: 1, atTrace: false }], version },
    })
    const batch = await api(endpoints.batches.create, { body: { designId: furnished.soap.id, pourDay: firstDay } })
    await pourUpTo(workshop, batch.id, null)
    const { loafIds } = await api(endpoints.batches.finish, { params: { id: batch.id } })
    const trace = await api(endpoints.release.traceLot, { params: { id: mill.id } })
    expect(trace.loaves.map((one) => one.id)).to.deep.equal(loafIds)
    const herbLot = (await api(endpoints.stores)).lots.find(({ lotNumber }) => lotNumber === 'H-1')
    expect((await api(endpoints.release.traceLot, { params: { id: herbLot?.id ?? '' } })).loaves).to.have.length(1)
    const now = (await api(endpoints.stores)).lots.find((one) => one.id === mill.id)
    const { usedAmount: _used, leftAmount: _left, id: _id, isRemoved: _gone, ...details } = now!
    await api(endpoints.lots.update, { params: { id: mill.id }, body: { ...details, isRecalled: true } })
    const { calledBack } = await api(endpoints.loaves.view, { params: { id: loafIds[0]! } })
    expect(calledBack).to.deep.equal(['Olive oil K-1'])
  })
})
