import type { BatchSummary } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import { checkPlan, datedSeason, seasonToPlan, solveSeason, unplannedPrefix } from '@vendange/core/season'
import { expect } from 'chai'
import fc from 'fast-check'
import ICAL from 'ical.js'
import type { TestWorkshop } from './workshopAtTest'
import { aDesign, firstDay, furnish, openTestWorkshop, problemOf } from './workshopAtTest'

describe('taking a plan', () => {
  let workshop: TestWorkshop
  let batch: BatchSummary
  let ids: { collectionId: string; recipeId: string; mouldId: string }

  beforeEach(async () => {
    workshop = await openTestWorkshop()
    const { soap, collection, recipe, mould } = await furnish(workshop)
    ids = { collectionId: collection.id, recipeId: recipe.id, mouldId: mould.id }
    batch = await workshop.api(endpoints.batches.create, { body: { designId: soap.id, pourDay: '2027-03-13' } })
  })
  afterEach(() => workshop.close())

  const move = (pourDay: string, cutDay: string, version = batch.version) => ({
    batchId: batch.id,
    pourDay,
    cutDay,
    version,
  })
  const take = (
    moves: ReturnType<typeof move>[],
    pours: { designId: string; pourDay: string; cutDay: string }[] = [],
  ) => workshop.api(endpoints.acceptPlan, { body: { moves, pours } })

  it('moves pours and puts others on the calendar at once', async () => {
    const other = await workshop.api(endpoints.designs.create, { body: { ...aDesign, name: 'Dawn', ...ids } })
    const taken = await take(
      [move('2027-03-20', '2027-03-22')],
      [{ designId: other.id, pourDay: '2027-03-27', cutDay: '2027-03-29' }],
    )
    expect(taken.batches.map(({ name, days }) => [name, days.pourDay, days.cutDay])).to.deep.equal([
      ['Lantern Glass', '2027-03-20', '2027-03-22'],
      ['Dawn', '2027-03-27', '2027-03-29'],
    ])
  })

  it('refuses a plan that breaks a rule, with the day and the numbers, and changes nothing', async () => {
    // Sunday has no hours here, and Monday to Friday two.
    const problem = await problemOf(take([move('2027-03-14', '2027-03-15')]))
    expect(problem.status).to.equal(422)
    expect(problem.detail).to.contain('Sun 14 Mar: 2 h planned, 0 h there.')
    const view = await workshop.api(endpoints.season)
    expect(view.batches[0]?.days.pourDay).to.equal('2027-03-13')
  })

  it('refuses the past and a pour that was changed meanwhile', async () => {
    expect((await problemOf(take([move('2027-03-06', '2027-03-08')]))).detail).to.contain('a day that is past')
    expect((await problemOf(take([move('2027-03-20', '2027-03-22', 7)]))).status).to.equal(409)
  })

  it('accepts whatever the planner finds, and nothing it accepts breaks a hard rule', async function () {
    this.timeout(60_000)
    for (let soap = 0; soap < 5; soap++)
      await workshop.api(endpoints.designs.create, { body: { ...aDesign, name: `Soap ${soap}`, ...ids } })
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 1, max: 1000 }), async (seed) => {
        const season = seasonToPlan(await workshop.api(endpoints.season))
        const { plan, check } = solveSeason(season.problem, { seed, effort: 0.02 })
        expect(check.isFeasible).to.equal(true)
        const day = (number: number): string => addDays(season.firstDay, number)
        const known = new Map((await workshop.api(endpoints.season)).batches.map((one) => [one.id, one]))
        const moves = plan.pours.flatMap(({ id, pour, cut }) => {
          const version = known.get(id)?.version
          return version === undefined ? [] : [{ batchId: id, pourDay: day(pour), cutDay: day(cut), version }]
        })
        const pours = plan.pours
          .filter(({ id }) => id.startsWith(unplannedPrefix))
          .map(({ id, pour, cut }) => ({
            designId: id.slice(unplannedPrefix.length),
            pourDay: day(pour),
            cutDay: day(cut),
          }))
        await take(moves, pours)
        const after = datedSeason(await workshop.api(endpoints.season))
        expect(checkPlan(after.problem, { pours: after.placements }).violations).to.deep.equal([])
      }),
      { numRuns: 8 },
    )
  })

  it('moves a pour and back, and the plan is what it was', async () => {
    const before = datedSeason(await workshop.api(endpoints.season))
    const { id } = batch
    const { pourDay, cutDay } = batch.days
    const there = await workshop.api(endpoints.batches.move, {
      params: { id },
      body: { pourDay: '2027-03-24', cutDay: null, version: batch.version },
    })
    await workshop.api(endpoints.batches.move, { params: { id }, body: { pourDay, cutDay, version: there.version } })
    expect(datedSeason(await workshop.api(endpoints.season))).to.deep.equal(before)
    const problem = await problemOf(
      workshop.api(endpoints.batches.move, {
        params: { id },
        body: { pourDay: '2027-03-24', cutDay: '2027-03-24', version: there.version + 1 },
      }),
    )
    expect(problem.detail).to.equal('It is cut after it is poured.')
  })

  it('pins a pour for the planner', async () => {
    const pinned = await workshop.api(endpoints.batches.pin, {
      params: { id: batch.id },
      body: { isPinned: true, version: batch.version },
    })
    expect(pinned.isPinned).to.equal(true)
    expect(datedSeason(await workshop.api(endpoints.season)).pinned.map(({ id }) => id)).to.deep.equal([batch.id])
  })

  it('keeps the ticks of a day sheet, with who made them', async () => {
    const tick = (isDone: boolean) =>
      workshop.api(endpoints.tickTask, { body: { day: firstDay, taskKey: `prepare:${batch.id}`, isDone } })
    expect((await tick(true)).ticks).to.deep.equal([
      { day: firstDay, taskKey: `prepare:${batch.id}`, makerName: 'Ilse' },
    ])
    expect((await tick(true)).ticks).to.have.length(1)
    expect((await tick(false)).ticks).to.deep.equal([])
  })
})

describe('the calendar feed', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const read = async () => {
    const response = await fetch(`${workshop.url}/api/calendar.ics`)
    expect(response.headers.get('content-type')).to.contain('text/calendar')
    const component = new ICAL.Component(ICAL.parse(await response.text()) as unknown as unknown[])
    const zones = component.getAllSubcomponents('vtimezone').map((one) => String(one.getFirstPropertyValue('tzid')))
    for (const vevent of component.getAllSubcomponents('vevent')) {
      const named = vevent.getFirstProperty('dtstart')?.getFirstParameter('tzid')
      if (named !== undefined) expect(zones).to.include(named)
    }
    return component.getAllSubcomponents('vevent').map((vevent) => ({
      summary: String(vevent.getFirstPropertyValue('summary')),
      start: String(vevent.getFirstPropertyValue('dtstart')),
      zone: vevent.getFirstProperty('dtstart')?.getFirstParameter('tzid'),
      uid: String(vevent.getFirstPropertyValue('uid')),
      alarms: vevent.getAllSubcomponents('valarm').length,
    }))
  }

  it('is empty but sound in a new workshop', async () => expect(await read()).to.deep.equal([]))

  it('puts what is done on one day one after the other', async () => {
    const { soap, collection } = await furnish(workshop)
    const { id: _id, version: _version, isRemoved: _removed, ...details } = soap
    const twin = await workshop.api(endpoints.designs.create, {
      body: { ...details, name: 'Twin', collectionId: collection.id },
    })
    for (const designId of [soap.id, twin.id])
      await workshop.api(endpoints.batches.create, { body: { designId, pourDay: '2027-03-13' } })
    const pours = (await read()).filter(({ summary }) => summary.startsWith('Pour')).map(({ start }) => start)
    const { pourHours } = (await workshop.api(endpoints.season)).workshop
    // Saturday's work begins at nine; the second pour when the first is through.
    expect(pours).to.have.length(2)
    const minutes = pours.map((start) => (Date.parse(`${start}Z`) - Date.parse('2027-03-13T00:00:00Z')) / 60_000)
    expect([...minutes].sort((one, other) => one - other)).to.deep.equal([9 * 60, 9 * 60 + pourHours * 60])
  })

  it('says when to prepare, pour, cut and release, in the zones they stand in', async () => {
    const { soap } = await furnish(workshop)
    await workshop.api(endpoints.batches.create, { body: { designId: soap.id, pourDay: '2027-03-27' } })
    const events = await read()
    const told = (summary: string) => events.find((event) => event.summary === summary)
    // Evenings begin at seven, weekends at nine; the clocks go forward on the night to the 28th.
    expect(told('Prepare Lantern Glass')).to.deep.include({
      start: '2027-03-26T19:00:00',
      zone: 'Europe/Lisbon',
      alarms: 1,
    })
    expect(told('Pour Lantern Glass')?.start).to.equal('2027-03-27T09:00:00')
    expect(told('Cut Lantern Glass')?.start).to.equal('2027-03-29T19:00:00')
    expect(told('Lantern Glass cured')?.start).to.equal('2027-04-26')
    expect(told('Release of Night Train')).to.deep.include({ start: '2027-04-24T18:00:00', alarms: 1 })
    expect(new Set(events.map(({ uid }) => uid)).size).to.equal(events.length)
  })
})
