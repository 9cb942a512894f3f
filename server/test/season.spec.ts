import { soapsWithoutDay, unplannedBatches } from '@vendange/core/season'
import { endpoints } from '@vendange/contract'
import { everyLoaf } from '@vendange/core/loaf'
import { expect } from 'chai'
import { pictureType } from '../src/parts/pictures'
import { pourUpTo } from './pouring'
import type { TestWorkshop } from './workshopAtTest'
import { aCollection, aDesign, completeLabels, firstDay, furnish, openTestWorkshop, problemOf } from './workshopAtTest'

describe('the season', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  async function pour(designId: string): Promise<readonly string[]> {
    const batch = await workshop.api(endpoints.batches.create, { body: { designId, pourDay: firstDay } })
    await pourUpTo(workshop, batch.id, null)
    return (await workshop.api(endpoints.batches.finish, { params: { id: batch.id } })).loafIds
  }

  it('begins with a workshop, its units, and nothing else', async () => {
    const season = await workshop.api(endpoints.season)
    expect(season.today).to.equal(firstDay)
    expect(season.workshop).to.deep.include({
      name: 'My workshop',
      massUnit: 'g',
      timeZone: 'Europe/Lisbon',
      version: 1,
    })
    for (const list of ['makers', 'moulds', 'recipes', 'collections', 'designs', 'batches', 'loaves'] as const) {
      expect(season[list], list).to.deep.equal([])
    }
  })

  it('is never older than the last write, nor than the day', async () => {
    const { api } = workshop
    const { collection } = await furnish(workshop)
    expect((await api(endpoints.season)).collections.map(({ name }) => name)).to.deep.equal(['Night Train'])
    const { id, version, isRemoved: _, ...details } = collection
    await api(endpoints.collections.update, { params: { id }, body: { ...details, name: 'Day Train', version } })
    expect((await api(endpoints.season)).collections.map(({ name }) => name)).to.deep.equal(['Day Train'])
    workshop.setDay('2027-03-09')
    expect((await api(endpoints.season)).today).to.equal('2027-03-09')
  })

  it('is not changed by a write that was refused', async () => {
    const { api } = workshop
    await furnish(workshop)
    const before = await api(endpoints.season)
    await problemOf(api(endpoints.collections.create, { body: { ...aCollection, releaseZone: 'Moon/Base' } }))
    await problemOf(
      api(endpoints.batches.create, { body: { designId: before.designs[0]?.id ?? '', pourDay: '2027-03-01' } }),
    )
    expect(await api(endpoints.season)).to.deep.equal(before)
  })

  it('names the soaps that a plan leaves without a day, with why', async () => {
    const { api } = workshop
    const { soap, collection } = await furnish(workshop)
    const blank = await api(endpoints.designs.create, {
      body: { ...aDesign, name: 'Blank', collectionId: collection.id, recipeId: null, mouldId: null },
    })
    const without = async (...planned: readonly string[]) =>
      soapsWithoutDay(await api(endpoints.season), new Set(planned)).map(({ name, why }) => [name, why])
    expect(await without()).to.have.deep.members([
      [soap.name, 'no_free_day'],
      ['Blank', 'incomplete'],
    ])
    expect(await without(`new:${soap.id}`)).to.deep.equal([['Blank', 'incomplete']])
    await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    await api(endpoints.designs.remove, { params: { id: blank.id }, body: { version: blank.version } })
    expect(await without()).to.deep.equal([])
  })

  it('counts the bars that the moulds of a pour give, not those that are wanted of it', async () => {
    const { api } = workshop
    const { soap, mould } = await furnish(workshop)
    const { id, version, isRemoved: _, ...details } = soap
    await api(endpoints.designs.update, {
      params: { id },
      body: { ...details, version, mouldCount: 2, barsWanted: 7 },
    })
    const { version: _v, isRemoved: _r, id: mouldId, ...cut } = mould
    await api(endpoints.moulds.update, { params: { id: mouldId }, body: { ...cut, count: 2, version: mould.version } })
    // What seeks its day takes the trays of them too: 20 bars of two loaves of ten, of 5 on a tray.
    const asked = await api(endpoints.season)
    const workshopOf5 = { ...asked, workshop: { ...asked.workshop, barsPerTray: 5 } }
    expect(unplannedBatches(workshopOf5).map(({ trays }) => trays)).to.deep.equal([4])
    const batch = await api(endpoints.batches.create, { body: { designId: id, pourDay: firstDay } })
    expect(batch.bars).to.equal(20)
    expect((await api(endpoints.season)).batches.map(({ bars }) => bars)).to.deep.equal([20])
  })

  it('follows the cut that was really made', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    const [loafId = ''] = await pour(soap.id)
    expect((await api(endpoints.season)).batches[0]?.days).to.deep.include({
      cutDay: '2027-03-09',
      readyDay: '2027-04-06',
    })
    workshop.setDay('2027-03-12')
    await api(endpoints.loaves.record, {
      params: { id: loafId },
      body: { type: 'unmoulded', day: '2027-03-12', version: 1 },
    })
    const cut = {
      type: 'cut',
      day: '2027-03-12',
      bars: 10,
      ends: 0,
      firstBarG: 119,
      bevelled: false,
      version: 2,
    } as const
    await api(endpoints.loaves.record, { params: { id: loafId }, body: cut })
    expect((await api(endpoints.season)).batches[0]?.days).to.deep.include({
      cutDay: '2027-03-12',
      readyDay: '2027-04-09',
    })
  })

  it('frees the calendar of a pour whose loaf failed, so that its soap seeks a day anew', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    const [loafId = ''] = await pour(soap.id)
    const failing = { type: 'failed', day: firstDay, reason: 'never left the trace', version: 1 } as const
    await api(endpoints.loaves.record, { params: { id: loafId }, body: failing })
    const view = await api(endpoints.season)
    expect(view.batches).to.deep.equal([])
    expect(view.loaves.map(({ state }) => state.failReason)).to.deep.equal(['never left the trace'])
    expect(unplannedBatches(view).map(({ name }) => name)).to.deep.equal([soap.name])
    expect(
      await problemOf(api(endpoints.loaves.record, { params: { id: loafId }, body: { ...failing, version: 2 } })),
    ).to.include({ status: 422 })
  })

  it('leaves what was poured long ago to the notebook once its last bar is sold', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    await completeLabels(workshop)
    const [loafId = ''] = await pour(soap.id)
    workshop.setDay('2027-07-01')
    const record = (event: object, version: number) =>
      api(endpoints.loaves.record, { params: { id: loafId }, body: { ...event, version } as never })
    await record({ type: 'unmoulded', day: '2027-03-09' }, 1)
    await record({ type: 'cut', day: '2027-03-09', bars: 10, ends: 0, firstBarG: 119, bevelled: false }, 2)
    expect((await api(endpoints.season)).loaves.map(({ id }) => id)).to.deep.equal([loafId])
    await record({ type: 'weighed', day: '2027-07-01', barG: 106 }, 3)
    await record({ type: 'released', day: '2027-07-01', bars: 10, ph: 9, lookIsSound: true, labelIsComplete: true }, 4)
    expect((await api(endpoints.season)).loaves.map(({ id }) => id)).to.deep.equal([loafId])
    await api(endpoints.release.allot, {
      body: { designId: soap.id, bars: 10, channel: 'Stalls', who: '', orderId: null },
    })
    const sale = {
      saleId: 's',
      day: '2027-07-01',
      designId: soap.id,
      lotCode: '',
      channel: 'Stalls',
      bars: 10,
    } as const
    await api(endpoints.release.takeSales, { body: { sales: [{ ...sale, buyer: '', priceCents: null }] } })
    expect((await api(endpoints.season)).loaves).to.deep.equal([])
    expect((await api(endpoints.loaves.list)).map(({ id }) => id)).to.deep.equal([loafId])
    const named = async (text: string) =>
      (await api(endpoints.loaves.table, { body: { ...everyLoaf, text } })).rows.map(({ id }) => id)
    expect(await named('lantern')).to.deep.equal([loafId])
    expect(await named('%')).to.deep.equal([])
    expect(await api(endpoints.loaves.ofDesign, { params: { id: soap.id } })).to.have.length(1)
  })

  it('numbers the loaves of a day through, over all its batches', async () => {
    const { api } = workshop
    const { soap, collection, recipe, mould } = await furnish(workshop, { mouldCount: 2 })
    await pour(soap.id)
    const ids = { collectionId: collection.id, recipeId: recipe.id, mouldId: mould.id }
    const second = await api(endpoints.designs.create, { body: { ...aDesign, ...ids, name: 'Signal Lamps' } })
    await pour(second.id)
    const codes = (await api(endpoints.loaves.list)).map(({ lotCode, name }) => `${lotCode} ${name}`)
    expect(codes).to.deep.equal(['270308-3 Signal Lamps', '270308-2 Lantern Glass', '270308-1 Lantern Glass'])
  })

  it('begins no pour whose scent is above its limit', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop, { scent: { name: 'Amber blend', rate: 0.06, supplierLimit: 0.02 } })
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    const step = { params: { id: batch.id }, body: { stepKey: 'moulds', actual: null } }
    const problem = await problemOf(api(endpoints.batches.record, step))
    expect(problem.status).to.equal(422)
    expect(problem.detail).to.contain('its certificate allows 2 %')
    expect((await api(endpoints.season)).batches[0]?.status).to.equal('planned')
  })

  it('does not move or take off a pour that has begun', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: '2027-03-10' } })
    await pourUpTo(workshop, batch.id, 'fat:coconut')
    const { version, days } = (await api(endpoints.batches.view, { params: { id: batch.id } })).batch
    // Begun two days early: the day it was begun is the day of the pour.
    expect(days.pourDay).to.equal(firstDay)
    const params = { id: batch.id }
    const moved = await problemOf(
      api(endpoints.batches.move, { params, body: { cutDay: null, pourDay: '2027-03-12', version } }),
    )
    const removed = await problemOf(api(endpoints.batches.remove, { params, body: { version } }))
    for (const problem of [moved, removed]) expect(problem.detail).to.contain('its day is a fact now')
  })

  it('refuses a record written from an old page, and shows the loaf as it stands', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    const [loafId = ''] = await pour(soap.id)
    const note = (text: string) =>
      api(endpoints.loaves.record, { params: { id: loafId }, body: { type: 'noted', day: firstDay, text, version: 1 } })
    await note('first')
    const problem = await problemOf(note('second'))
    expect(problem.status).to.equal(409)
    expect((problem.current as { events: unknown[] }).events).to.have.length(2)
  })

  it('lets one of two makers at the last step create the loaves, once', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    await pourUpTo(workshop, batch.id, null)
    const finish = () => api(endpoints.batches.finish, { params: { id: batch.id } })
    const views = await Promise.all([finish(), finish(), finish()])
    expect(new Set(views.flatMap(({ loafIds }) => loafIds)).size).to.equal(1)
    expect(await api(endpoints.loaves.list)).to.have.length(1)
  })
})

describe('pictureType', () => {
  it('goes by the first bytes', () => {
    expect(pictureType(Buffer.from([0xff, 0xd8, 0xff, 0xe0]))).to.equal('image/jpeg')
    expect(pictureType(Buffer.from('RIFF\0\0\0\0WEBPVP8 ', 'latin1'))).to.equal('image/webp')
    expect(pictureType(Buffer.from('RIFF\0\0\0\0WAVE', 'latin1'))).to.equal(undefined)
    expect(pictureType(Buffer.from('<svg onload="x">'))).to.equal(undefined)
    expect(pictureType(Buffer.alloc(0))).to.equal(undefined)
  })
})
