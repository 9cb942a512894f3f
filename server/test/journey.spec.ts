import type { NewDesign, SavedDesign } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { pourSession } from '@vendange/core/batch'
import { expect } from 'chai'
import { loaves } from '../src/db/schema'
import { pourUpTo } from './pouring'
import type { TestWorkshop } from './workshopAtTest'
import { aMould, completeLabels, firstDay, furnish, openTestWorkshop, problemOf } from './workshopAtTest'

/** What a saved design says of itself. */
function detailsOf({ id: _id, version: _version, isRemoved: _removed, ...details }: SavedDesign): NewDesign {
  return details
}

describe('one soap over HTTP', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  async function pouredLoaf() {
    const things = await furnish(workshop)
    await completeLabels(workshop)
    const batch = await workshop.api(endpoints.batches.create, {
      body: { designId: things.soap.id, pourDay: firstDay },
    })
    await pourUpTo(workshop, batch.id, null)
    const { loafIds } = await workshop.api(endpoints.batches.finish, { params: { id: batch.id } })
    return { ...things, batch, loafId: loafIds[0] ?? '' }
  }

  it('goes from the plan to the release, every step on record', async () => {
    const { api } = workshop
    const { loafId, batch } = await pouredLoaf()
    let { loaf } = await api(endpoints.loaves.view, { params: { id: loafId } })
    expect(loaf.lotCode).to.equal('270308-1')
    // 1224.49 ml, less 2 ml of colour: 846 g fats + 118 g sodium hydroxide (118.96, down) + 240 g water + 25 g scent
    // = 1229 g, less the 25 g left in the pots.
    expect(loaf.state.batterG).to.equal(1204)

    const record = async (event: object) => {
      ;({ loaf } = await api(endpoints.loaves.record, {
        params: { id: loafId },
        body: { ...event, version: loaf.version } as never,
      }))
    }
    workshop.setDay('2027-03-09')
    await record({ type: 'unmoulded', day: '2027-03-09' })
    await record({ type: 'cut', day: '2027-03-09', bars: 10, ends: 0, firstBarG: 120, bevelled: true })
    await record({ type: 'moved', day: '2027-03-09', place: 'Rack 1' })
    workshop.setDay('2027-03-16')
    await record({ type: 'weighed', day: '2027-03-16', barG: 113 })
    workshop.setDay('2027-04-06')
    await record({ type: 'weighed', day: '2027-04-06', barG: 107 })
    await record({ type: 'released', day: '2027-04-06', bars: 10, ph: 9.5, lookIsSound: true, labelIsComplete: true })
    expect(loaf.state.status).to.equal('released')

    const view = await api(endpoints.loaves.view, { params: { id: loafId } })
    expect(view.events.map(({ event }) => event.type)).to.deep.equal([
      'poured',
      'unmoulded',
      'cut',
      'moved',
      'weighed',
      'weighed',
      'released',
    ])
    expect(view.events.every(({ makerName }) => makerName === 'Ilse')).to.equal(true)
    expect(view.collectionName).to.equal('Night Train')

    // Released: only amended from now on.
    const refusal = await problemOf(
      api(endpoints.loaves.record, {
        params: { id: loafId },
        body: { type: 'noted', day: '2027-04-06', text: 'oops', version: loaf.version },
      }),
    )
    expect(refusal.status).to.equal(422)
    expect(refusal.detail).to.contain('Write an amendment')
    await record({ type: 'amended', day: '2027-04-06', subject: 'bars', text: 'one was a sample' })
    expect(loaf.state.status).to.equal('released')

    const season = await api(endpoints.season)
    expect(season.batches.find(({ id }) => id === batch.id)).to.deep.include({ status: 'poured' })
  })

  it('refuses a release before the cure is over, naming what is open', async () => {
    const { api } = workshop
    const { loafId } = await pouredLoaf()
    workshop.setDay('2027-03-09')
    let { loaf } = await api(endpoints.loaves.record, {
      params: { id: loafId },
      body: { type: 'unmoulded', day: '2027-03-09', version: 1 },
    })
    ;({ loaf } = await api(endpoints.loaves.record, {
      params: { id: loafId },
      body: {
        type: 'cut',
        day: '2027-03-09',
        version: loaf.version,
        bars: 10,
        ends: 0,
        firstBarG: 99,
        bevelled: false,
      },
    }))
    const problem = await problemOf(
      api(endpoints.loaves.record, {
        params: { id: loafId },
        body: {
          type: 'released',
          day: '2027-03-09',
          version: loaf.version,
          bars: 10,
          ph: 12,
          lookIsSound: false,
          labelIsComplete: true,
        },
      }),
    )
    expect(problem.status).to.equal(422)
    expect(problem.detail).to.contain('Day 0 of 28').and.to.contain('pH 12').and.to.contain('99 g')
    expect(problem.errors?.map(({ field }) => field)).to.include.members(['ph', 'lookIsSound'])
  })

  it('recomputes the lye at the bench and refuses too much of it', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    const view = await pourUpTo(workshop, batch.id, 'naoh', { 'fat:coconut': 266 })
    // 178.912 g KOH · 0.712888 · 0.95 = 121.17 g; at no superfat the fats take 127.54 g.
    expect(pourSession(view.plan, view.records).steps.find(({ key }) => key === 'naoh')?.target).to.equal(121)
    const problem = await problemOf(
      api(endpoints.batches.record, { params: { id: batch.id }, body: { stepKey: 'naoh', actual: 128 } }),
    )
    expect(problem.status).to.equal(422)
    expect(problem.detail).to.contain('Take 7 g back out')
    const after = await api(endpoints.batches.view, { params: { id: batch.id } })
    expect(after.records.some(({ stepKey }) => stepKey === 'naoh')).to.equal(false)
  })

  it('takes a step that is sent twice for one', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    for (let time = 0; time < 3; time++)
      await api(endpoints.batches.record, { params: { id: batch.id }, body: { stepKey: 'moulds', actual: null } })
    expect((await api(endpoints.batches.view, { params: { id: batch.id } })).records).to.have.length(1)
  })

  it('keeps the plan of a batch that has begun, whatever becomes of recipe and mould', async () => {
    const { api } = workshop
    const { soap, recipe, mould } = await furnish(workshop)
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    const before = await pourUpTo(workshop, batch.id, 'fat:coconut')
    const { id: _r, version: _rv, isRemoved: _rr, ...recipeDetails } = recipe
    await api(endpoints.recipes.update, {
      params: { id: recipe.id },
      body: { ...recipeDetails, superfat: 0.2, version: 1 },
    })
    const { id: _m, version: _mv, isRemoved: _mr, ...mouldDetails } = mould
    await api(endpoints.moulds.update, {
      params: { id: mould.id },
      body: { ...mouldDetails, fillHeightMm: 30, version: 1 },
    })
    const after = await api(endpoints.batches.view, { params: { id: batch.id } })
    expect(after.plan).to.deep.equal(before.plan)
  })

  it('numbers the hundredth loaf of a day as any other', async () => {
    const { api, database } = workshop
    const { soap } = await furnish(workshop, { mouldCount: 2 })
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    const others = Array.from({ length: 98 }, (_, index) => ({
      id: `loaf-${index}`,
      batchId: batch.id,
      part: 0,
      version: 0,
      status: 'failed' as const,
      lotCode: `270308-${index + 1}`,
    }))
    await database.write((transaction) => transaction.insert(loaves).values(others))
    await pourUpTo(workshop, batch.id, null)
    await api(endpoints.batches.finish, { params: { id: batch.id } })
    const codes = (await database.read.select({ lotCode: loaves.lotCode }).from(loaves)).map(({ lotCode }) => lotCode)
    expect(codes).to.have.length(100).and.to.include.members(['270308-99', '270308-100'])
  })

  it('does not finish before the last step, nor twice', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop, { mouldCount: 2 })
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    await pourUpTo(workshop, batch.id, 'cover')
    const early = await problemOf(api(endpoints.batches.finish, { params: { id: batch.id } }))
    expect(early.detail).to.equal('First comes: Cover the mould, blanket it, and write the time on it.')
    await pourUpTo(workshop, batch.id, null)
    const first = await api(endpoints.batches.finish, { params: { id: batch.id } })
    const second = await api(endpoints.batches.finish, { params: { id: batch.id } })
    expect(first.loafIds).to.have.length(2)
    expect(second.loafIds).to.deep.equal(first.loafIds)
    expect((await api(endpoints.loaves.list)).map(({ lotCode }) => lotCode)).to.deep.equal(['270308-2', '270308-1'])
    const late = await problemOf(
      api(endpoints.batches.record, { params: { id: batch.id }, body: { stepKey: 'cover', actual: null } }),
    )
    expect(late.detail).to.contain('its record is not edited')
  })

  it('keeps a photograph and shows it again, byte for byte', async () => {
    const { api, url } = workshop
    const { loafId } = await pouredLoaf()
    const picture = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    )
    const { photoId } = await api(endpoints.loaves.addPhoto, { rawBody: new Blob([picture], { type: 'image/png' }) })
    const { loaf } = await api(endpoints.loaves.record, {
      params: { id: loafId },
      body: { type: 'photographed', day: firstDay, photoId, version: 1 },
    })
    expect(loaf.state.photos).to.deep.equal([{ day: loaf.state.photos[0]?.day, photoId }])
    const shown = await fetch(`${url}/api/photos/${photoId}`)
    expect(shown.headers.get('content-type')).to.equal('image/png')
    expect(Buffer.from(await shown.arrayBuffer()).equals(picture)).to.equal(true)
    const none = await problemOf(
      api(endpoints.loaves.addPhoto, { rawBody: new Blob(['hello'], { type: 'image/png' }) }),
    )
    expect(none.detail).to.contain('That is no photograph')
    const lost = await problemOf(
      api(endpoints.loaves.record, {
        params: { id: loafId },
        body: { type: 'photographed', day: firstDay, photoId: 'gone', version: 2 },
      }),
    )
    expect(lost.status).to.equal(404)
  })

  it('asks who is at work before anything is recorded', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    workshop.makerId = undefined
    const unnamed = await problemOf(
      api(endpoints.batches.record, { params: { id: batch.id }, body: { stepKey: 'moulds', actual: null } }),
    )
    expect(unnamed).to.deep.include({ status: 422, detail: 'Choose who is at work first.' })
    workshop.makerId = 'nobody'
    const unknown = await problemOf(
      api(endpoints.batches.record, { params: { id: batch.id }, body: { stepKey: 'moulds', actual: null } }),
    )
    expect(unknown.errors?.[0]?.field).to.equal('maker')
  })

  it('fills moulds of several kinds from one batch, each loaf with its own bars', async () => {
    const { api } = workshop
    const { soap, mould } = await furnish(workshop)
    const tray = await api(endpoints.moulds.create, {
      body: { ...aMould, name: 'Tray', shape: 'cavities', cavityCount: 6, cavityMl: 95 },
    })
    const { moreMoulds } = await api(endpoints.designs.update, {
      params: { id: soap.id },
      body: { ...detailsOf(soap), mouldCount: 2, moreMoulds: [{ mouldId: tray.id, count: 1 }], version: soap.version },
    })
    expect(moreMoulds).to.deep.equal([{ mouldId: tray.id, count: 1 }])
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    const { plan } = await pourUpTo(workshop, batch.id, null)
    // 2 · 1200 ml and 570 ml of one batter.
    expect(
      plan.moulds?.map(({ name, count, barsPerMould, mouldMl }) => [name, count, barsPerMould, mouldMl]),
    ).to.deep.equal([
      ['Loaf', 2, 10, 1200],
      ['Tray', 1, 6, 570],
    ])
    expect(plan.barsPlanned).to.equal(26)
    const { loafIds } = await api(endpoints.batches.finish, { params: { id: batch.id } })
    const loaves = (await api(endpoints.loaves.list)).filter(({ id }) => loafIds.includes(id))
    const told = loaves.map(({ mouldName, mouldId, barsPlanned, takenMl }) => ({
      mouldName,
      mouldId,
      barsPlanned,
      takenMl,
    }))
    expect(told.filter(({ mouldName }) => mouldName === 'Loaf')).to.have.length(2)
    const trayLoaf = told.find(({ mouldName }) => mouldName === 'Tray')
    expect(trayLoaf).to.include({ mouldId: tray.id, barsPlanned: 6 })
    // The grams left were as planned, to the scale's gram.
    expect(trayLoaf?.takenMl).to.be.closeTo(570, 1)
    // Both kinds are taken on the calendar, and the tray is not taken away while the soap wants it.
    const { batches } = await api(endpoints.season)
    expect(batches.find(({ id }) => id === batch.id)?.moreMoulds).to.deep.equal([{ mouldId: tray.id, count: 1 }])
    const taking = api(endpoints.moulds.remove, { params: { id: tray.id }, body: { version: tray.version } })
    expect((await problemOf(taking)).detail).to.contain('Lantern Glass is poured into this mould')
    expect(mould.name).to.equal('Loaf')
  })

  describe('steps of tablets', () => {
    const begin = async () => {
      const { soap } = await furnish(workshop)
      const batch = await workshop.api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
      await pourUpTo(workshop, batch.id, 'fat:olive')
      return batch.id
    }
    const record = (id: string, step: object) =>
      workshop.api(endpoints.batches.record, { params: { id }, body: { stepKey: 'fat:olive', ...step } as never })

    it('takes a record that comes twice once, also after a later one', async () => {
      const id = await begin()
      const first = { actual: 381, recordId: 'tablet-1' }
      await record(id, first)
      await record(id, { actual: 390, recordId: 'tablet-2' })
      const { records } = await record(id, first)
      expect(records.filter(({ stepKey }) => stepKey === 'fat:olive').map(({ actual }) => actual)).to.deep.equal([
        381, 390,
      ])
    })

    it('writes a step down for when it was done', async () => {
      const id = await begin()
      const { records } = await record(id, { actual: 381, secondsAgo: 90 })
      expect(records.at(-1)?.at).to.equal('2027-03-08T11:58:30.000Z')
    })

    it('does not write over what another tablet recorded unseen', async () => {
      const id = await begin()
      const { records } = await record(id, { actual: 385 })
      const seen = records.length - 1
      const problem = await problemOf(record(id, { actual: 381, seen }))
      expect(problem.status).to.equal(409)
      expect(problem.detail).to.contain('Olive oil was recorded as 385 g by Ilse meanwhile')
      // The same figure is no quarrel, and who has seen it may weigh anew.
      await record(id, { actual: 385, seen })
      expect((await record(id, { actual: 381, seen: seen + 1 })).records.at(-1)?.actual).to.equal(381)
    })
  })
})
