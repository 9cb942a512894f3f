import type { SoapPours } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { pourParts } from '@vendange/core/batch'
import { barsOfMould } from '@vendange/core/cutting'
import { soapCount } from '@vendange/core/loaf'
import { checkPlan, datedSeason, placePours } from '@vendange/core/season'
import { expect } from 'chai'
import { pourUpTo } from './pouring'
import type { TestWorkshop } from './workshopAtTest'
import { firstDay, furnish, openTestWorkshop, problemOf } from './workshopAtTest'

describe('a soap that is poured in several', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const season = () => workshop.api(endpoints.season)
  /** 36 bars of a mould of ten, of which there are two. */
  async function wished() {
    const { soap, mould } = await furnish(workshop, { barsWanted: 36 })
    const { id, version: _version, isRemoved: _gone, ...details } = mould
    await workshop.api(endpoints.moulds.update, { params: { id }, body: { ...details, count: 2, version: 1 } })
    const { bars } = barsOfMould(mould)
    const parts = pourParts({
      mouldId: id,
      mouldsAtHand: 2,
      barsWanted: 36,
      barsPerLoaf: bars,
      barThicknessMm: mould.barThicknessMm,
    })
    return { soap, mould, parts }
  }
  async function daysFor(designId: string, parts: ReturnType<typeof pourParts>): Promise<SoapPours['pours']> {
    const placed = placePours(await season(), designId, parts, {})
    if (!placed?.parts) throw new Error('Expected days for all of them')
    return placed.parts.map(({ part, pourDay, cutDay }) => ({ part, pourDay, cutDay, isPinned: false }))
  }
  const plan = (
    designId: string,
    pours: SoapPours['pours'],
    replaced: readonly { readonly id: string; readonly version: number }[] = [],
  ) =>
    workshop.api(endpoints.batches.planSoap, {
      body: { designId, pours: [...pours], replaced: replaced.map(({ id, version }) => ({ id, version })) },
    })

  it('gets days that the calendar has room for, is numbered in their order, and every bar wanted is to come', async () => {
    const { soap, parts } = await wished()
    expect(parts.map(({ mouldCount }) => mouldCount)).to.deep.equal([2, 2])
    const made = await plan(soap.id, await daysFor(soap.id, parts))
    expect(made.map(({ name }) => name)).to.deep.equal(['Lantern Glass, pour 1 of 2', 'Lantern Glass, pour 2 of 2'])
    const view = await season()
    const { problem, placements } = datedSeason(view)
    expect(placements).to.have.length(2)
    expect(checkPlan(problem, { pours: placements }).violations).to.deep.equal([])
    expect(soapCount(36, view.batches, [])).to.deep.include({ toCome: 40, missing: 0 })
  })

  it('takes the place of what was planned, keeps what was poured, and is put back by the same call', async () => {
    const { soap, parts } = await wished()
    const { api } = workshop
    const whole = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: '2027-03-20' } })
    const pours = await daysFor(soap.id, parts)
    const made = await plan(soap.id, pours, [whole])
    expect((await season()).batches.map(({ id }) => id)).to.have.members(made.map(({ id }) => id))
    expect((await problemOf(plan(soap.id, pours, [whole]))).status).to.equal(404)

    const back = [{ pourDay: '2027-03-20', cutDay: null, isPinned: true, part: null }]
    const [again] = await plan(soap.id, back, made)
    expect(again).to.deep.include({ name: 'Lantern Glass', isPinned: true, part: null })
    expect((await season()).batches).to.have.length(1)

    const [begun] = await plan(soap.id, [{ ...pours[0]!, pourDay: firstDay, cutDay: null }], [again!])
    await pourUpTo(workshop, begun!.id, null)
    await api(endpoints.batches.finish, { params: { id: begun!.id } })
    const [more] = await plan(soap.id, pours.slice(1))
    expect(more?.name).to.equal('Lantern Glass, pour 2')
    const stale = plan(soap.id, [], [begun!])
    expect((await problemOf(stale)).status).to.be.oneOf([409, 422])
    expect((await season()).batches).to.have.length(2)
  })

  it('loses the bars of a loaf that failed, and finds the pour that makes them good', async () => {
    const { soap, mould, parts } = await wished()
    const { api } = workshop
    const pours = await daysFor(soap.id, parts)
    const [first] = await plan(soap.id, [{ ...pours[0]!, pourDay: firstDay, cutDay: null }, pours[1]!])
    await pourUpTo(workshop, first!.id, null)
    await api(endpoints.batches.finish, { params: { id: first!.id } })
    const before = await season()
    const [loaf] = before.loaves
    expect(soapCount(36, before.batches, before.loaves)).to.deep.include({ toCome: 40, missing: 0 })
    const failed = { type: 'failed', day: firstDay, reason: 'Separated', version: loaf!.version } as const
    await api(endpoints.loaves.record, { params: { id: loaf!.id }, body: failed })
    const view = await season()
    const count = soapCount(36, view.batches, view.loaves)
    expect(count).to.deep.include({ toCome: 30, missing: 6, failedLoaves: 1 })

    const { id: mouldId, barThicknessMm } = mould
    const one = pourParts({ mouldId, mouldsAtHand: 2, barThicknessMm, barsPerLoaf: 10, barsWanted: count.missing })
    const placed = placePours(view, soap.id, one, {}, true)
    const [good] = placed?.parts ?? []
    expect(good?.part).to.deep.include({ mouldCount: 1, barsWanted: 6 })
    await plan(soap.id, [{ part: good!.part, pourDay: good!.pourDay, cutDay: good!.cutDay, isPinned: false }])
    const mended = await season()
    expect(soapCount(36, mended.batches, mended.loaves).missing).to.equal(0)
    expect(checkPlan(datedSeason(mended).problem, { pours: datedSeason(mended).placements }).violations).to.deep.equal(
      [],
    )
  })

  it('says why a pour finds no day, and refuses a day that none can have', async () => {
    const { soap, parts } = await wished()
    const many = parts.map((part) => ({ ...part, mouldCount: 3 }))
    const placed = placePours(await season(), soap.id, many, { [parts[0]!.mouldId]: 'Loaf' })
    expect(placed?.parts).to.equal(undefined)
    expect(placed && 'why' in placed ? placed.why.length : 0).to.be.greaterThan(0)
    const longAgo = [{ part: parts[0]!, pourDay: '2020-03-08', cutDay: null, isPinned: false }]
    expect((await problemOf(plan(soap.id, longAgo))).status).to.equal(422)
    const other = [{ part: { ...parts[0]!, mouldId: 'none' }, pourDay: firstDay, cutDay: null, isPinned: false }]
    expect((await problemOf(plan(soap.id, other))).status).to.equal(404)
    expect((await season()).batches).to.deep.equal([])
  })
})
