import { blankDesign, endpoints } from '@vendange/contract'
import type { NewDesign } from '@vendange/contract'
import { clockKeys, pourSession, wasUnweighed } from '@vendange/core/batch'
import { expect } from 'chai'
import { pourUpTo } from './pouring'
import type { TestWorkshop } from './workshopAtTest'
import { furnish, openTestWorkshop, problemOf } from './workshopAtTest'

describe('the clock of a pour', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  async function pourOnTheCalendar(): Promise<string> {
    const { soap } = await furnish(workshop)
    const { today } = await workshop.api(endpoints.season)
    return (await workshop.api(endpoints.batches.create, { body: { designId: soap.id, pourDay: today } })).id
  }
  const tap = (id: string, stepKey: string, actual: number, recordId?: string) =>
    workshop.api(endpoints.batches.record, {
      params: { id },
      body: { stepKey, actual, ...(recordId === undefined ? {} : { recordId }) },
    })
  const timings = () => workshop.api(endpoints.batches.timings)

  it('keeps taps beside the steps, once each, and the pour goes on as before', async () => {
    const id = await pourOnTheCalendar()
    await pourUpTo(workshop, id, 'emulsion')
    expect(await timings()).to.deep.equal([])
    await tap(id, clockKeys.emulsion, 29_000_000, 'one')
    await tap(id, clockKeys.emulsion, 29_000_000, 'one')
    await tap(id, clockKeys.medium, 6.5)
    await tap(id, 'clock:move:0', 7)
    const view = await tap(id, clockKeys.tooThick, 14)
    expect(view.records.filter(({ stepKey }) => stepKey.startsWith('clock:'))).to.have.length(4)
    await pourUpTo(workshop, id, null)
    const done = await workshop.api(endpoints.batches.finish, { params: { id } })
    expect(done.batch.status).to.equal('poured')

    const [timed, ...others] = await timings()
    expect(others).to.deep.equal([])
    expect(timed).to.deep.include({ batchId: id, name: view.plan.designName, day: '2027-03-08' })
    expect(timed?.seen).to.deep.equal([
      { minutes: 6.5, thickened: 0.5 },
      { minutes: 14, thickened: 1 },
    ])
    // The temperature is the one that was taken at the bench.
    const taken = ['temperature:lye', 'temperature:fats'].map(
      (key) => done.records.findLast(({ stepKey }) => stepKey === key)?.actual ?? 0,
    )
    expect(timed?.batter.temperatureC).to.be.closeTo((taken[0]! + taken[1]!) / 2, 1e-9)
  })

  it('is set aside with the reason, and comes back', async () => {
    const { api } = workshop
    const id = await pourOnTheCalendar()
    await pourUpTo(workshop, id, 'emulsion')
    await tap(id, clockKeys.emulsion, 29_000_000)
    await tap(id, clockKeys.tooThick, 2)
    const set = (reason: string | null) => api(endpoints.batches.setTimingAside, { params: { id }, body: { reason } })
    const reasons = async () => (await timings()).map(({ setAside }) => setAside)
    expect(await reasons()).to.deep.equal([null])
    expect((await problemOf(set('  '))).status).to.equal(400)
    await set('A test of the clock')
    expect(await reasons()).to.deep.equal(['A test of the clock'])
    await set(null)
    expect(await reasons()).to.deep.equal([null])
  })

  it('has a step done by eye recorded as such, and what was planned taken from the stores', async () => {
    const { api } = workshop
    const id = await pourOnTheCalendar()
    await pourUpTo(workshop, id, 'pot:0')
    const byEye = (stepKey: string) =>
      api(endpoints.batches.record, { params: { id }, body: { stepKey, actual: null, isUnweighed: true } })
    const { plan, records } = await byEye('pot:0')
    expect(records.at(-1)).to.deep.include({ stepKey: 'pot:0', actual: null })
    const step = pourSession(plan, records).steps.find(({ key }) => key === 'pot:0')
    expect(step && wasUnweighed(step)).to.equal(true)
    const refusal = await problemOf(byEye('naoh'))
    expect(refusal.detail).to.contain('always weighed')
  })

  it('refuses taps that cannot be, in words', async () => {
    const id = await pourOnTheCalendar()
    const wrong = await problemOf(tap(id, 'clock:boiling', 3))
    expect([wrong.status, wrong.detail]).to.deep.equal([422, 'The clock of a pour has no such tap.'])
    const early = await problemOf(tap(id, clockKeys.thin, -2))
    expect(early.detail).to.contain('before emulsion')
  })
})

describe('a pour plan', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  it('comes back as it was kept: every kind of move, the face, the shades, the scent’s ways', async () => {
    const pourPlan: NewDesign['pourPlan'] = [
      { kind: 'level', pot: 0, part: 0.5, trace: 'medium', waitMin: 3 },
      { kind: 'stack', pots: [{ pot: 0, part: 0.25 }], xMm: 40, count: 5, fallMm: 120 },
      { kind: 'embed', outline: 'triangle', hex: '#B98A3E', xMm: 40, yMm: 20, sizeMm: 18, turnDeg: 30 },
      {
        kind: 'skewer',
        plane: 'plan',
        path: [
          { xMm: 1, yMm: 2 },
          { xMm: 30, yMm: 200 },
        ],
      },
    ]
    const face = { way: 'turned', log: 1, bar: 2, layer: 1, isFar: true } as const
    const { soap } = await furnish(workshop)
    const { id: _id, isRemoved: _removed, ...details } = soap
    const body = {
      ...details,
      pourPlan,
      face,
      batterHex: '#EFE6D2',
      colours: details.colours.map((colour) => ({ ...colour, wetHex: '#101010', dayHex: null, fades: true })),
      scent: { name: 'Amber blend', rate: 0.03, supplierLimit: null, vanillin: 0.04, behaviour: 'races' as const },
    }
    await workshop.api(endpoints.designs.update, { params: { id: soap.id }, body })
    const kept = (await workshop.api(endpoints.season)).designs.find(({ id }) => id === soap.id)
    expect(kept).to.deep.include({ pourPlan, face, batterHex: '#EFE6D2', scent: body.scent, colours: body.colours })
  })

  it('is refused where a move is none that is known, and nothing is kept', async () => {
    const { soap } = await furnish(workshop)
    const { id: _id, isRemoved: _removed, ...details } = soap
    const pourPlan = [{ kind: 'explode' }] as unknown as NewDesign['pourPlan']
    const problem = await problemOf(
      workshop.api(endpoints.designs.update, { params: { id: soap.id }, body: { ...details, pourPlan } }),
    )
    expect(problem.status).to.equal(400)
    const kept = (await workshop.api(endpoints.season)).designs.find(({ id }) => id === soap.id)
    expect(kept?.pourPlan).to.deep.equal(blankDesign.pourPlan)
  })
})
