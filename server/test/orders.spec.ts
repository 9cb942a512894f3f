import type { SavedOrder } from '@vendange/contract'
import { addressOf, blankOrder, endpoints } from '@vendange/contract'
import { checkPlan, datedSeason } from '@vendange/core/season'
import { addDays, formatDay } from '@vendange/core/calendar'
import { expect } from 'chai'
import { textOfPdf } from './pdfText'
import { pourUpTo } from './pouring'
import type { TestWorkshop } from './workshopAtTest'
import { firstDay, furnish, openTestWorkshop, problemOf } from './workshopAtTest'

describe('an order', () => {
  let workshop: TestWorkshop
  let order: SavedOrder
  let mouldId: string

  beforeEach(async () => {
    workshop = await openTestWorkshop()
    const { recipe, mould } = await furnish(workshop)
    mouldId = mould.id
    order = await workshop.api(endpoints.orders.create, {
      body: {
        ...blankOrder,
        client: 'Rowing club',
        bars: 20,
        dueDay: '2027-05-10',
        recipeId: recipe.id,
        colours: [
          { name: 'red', hex: '#A3343C', rateGPerKg: 10 },
          { name: 'white', hex: '#F4EEE2', rateGPerKg: 4 },
          { name: 'blue', hex: '#27364F', rateGPerKg: 9 },
        ],
        stampLeadDays: 10,
        bevelled: true,
      },
    })
  })
  afterEach(() => workshop.close())

  const batches = () => [
    { mouldId, mouldCount: 1, barsWanted: 10, barThicknessMm: 24, pourDay: '2027-03-20', cutDay: '2027-03-22' },
    { mouldId, mouldCount: 1, barsWanted: 10, barThicknessMm: 24, pourDay: '2027-03-27', cutDay: '2027-03-29' },
  ]
  const accept = (version = order.version) =>
    workshop.api(endpoints.orders.accept, {
      params: { id: order.id },
      body: { version, priceCents: 12300, promisedDay: '2027-05-04', batches: batches() },
    })

  it('becomes a soap with its pours on the calendar when it is accepted', async () => {
    const accepted = await accept()
    expect(accepted).to.deep.include({ state: 'accepted', priceCents: 12300, earliestDay: '2027-03-18' })
    const view = await workshop.api(endpoints.season)
    const design = view.designs.find(({ collectionId }) => collectionId === accepted.collectionId)
    expect(design).to.deep.include({
      name: 'Rowing club',
      barsWanted: 20,
      bevelled: true,
      stamped: true,
      earliestDay: '2027-03-18',
    })
    expect(design?.colours.reduce((sum, { share }) => sum + share, 0)).to.be.closeTo(1, 1e-9)
    const pours = view.batches.filter(({ designId }) => designId === design?.id)
    expect(pours.map(({ name, days, bars }) => [name, days.pourDay, days.cutDay, bars])).to.deep.equal([
      ['Rowing club, pour 1 of 2', '2027-03-20', '2027-03-22', 10],
      ['Rowing club, pour 2 of 2', '2027-03-27', '2027-03-29', 10],
    ])
    expect(checkPlan(datedSeason(view).problem, { pours: datedSeason(view).placements }).violations).to.deep.equal([])
  })

  it('keeps the day it was promised for, and is needed by then', async () => {
    const accepted = await accept()
    expect(accepted.promisedDay).to.equal('2027-05-04')
    const needed = async (): Promise<string | undefined> =>
      (await workshop.api(endpoints.season)).collections.find(({ id }) => id === accepted.collectionId)?.releaseLocal
    expect(await needed()).to.equal('2027-05-04T12:00')
    const { id, isRemoved: _removed, ...details } = accepted
    await workshop.api(endpoints.orders.update, { params: { id }, body: { ...details, promisedDay: '2027-05-07' } })
    expect(await needed()).to.equal('2027-05-07T12:00')
  })

  it('is quoted on paper: what is offered, price, tax, deposit, days and terms, and nothing of the maker’s sums', async () => {
    const { api } = workshop
    const { version: workshopVersion, ...details } = (await api(endpoints.season)).workshop
    await api(endpoints.updateWorkshop, {
      body: {
        ...details,
        version: workshopVersion,
        name: 'Quillon Lane',
        makerAddress: '7 Sample Row, Exampleton',
        quoting: {
          contact: 'post@quillon.example',
          taxName: 'VAT',
          taxShare: 0.23,
          isTaxIncluded: true,
          marginShare: 0.1,
          depositShare: 0.3,
          validDays: 14,
          terms: 'Made by hand.',
        },
      },
    })
    const lines = [
      { of: 'bars' as const, cents: 10_000 },
      { of: 'stamp' as const, cents: 2300 },
    ]
    const body = { version: order.version, priceCents: 12_300, readyDay: '2027-05-04', lines }
    const quoted = await api(endpoints.orders.quote, { params: { id: order.id }, body })
    expect(quoted.state).to.equal('quoted')
    expect(quoted.quoted).to.deep.include({ day: firstDay, validUntilDay: addDays(firstDay, 14) })
    // Changed after it went out, the paper still says what was offered.
    const { id, isRemoved: _removed, ...wish } = quoted
    await api(endpoints.orders.update, { params: { id }, body: { ...wish, bars: 30 } })
    const paper = await fetch(workshop.url + addressOf(endpoints.orders.quoteSheet, { id }))
    const text = (await textOfPdf(new Uint8Array(await paper.arrayBuffer()))).join(' ').replace(/\s+/g, ' ')
    for (const told of [
      'Quillon Lane',
      '7 Sample Row, Exampleton',
      'post@quillon.example',
      'Rowing club',
      '20 bars of soap, 100 g each',
      'Every bar carries your stamp',
      'red',
      'In all, 20 bars €123.00',
      // 123.00 with 23 % in it.
      'VAT 23 % €23.00',
      '€6.15 a bar',
      // 30 % of 123.00
      '€36.90 (30 %)',
      'Ready on Tue 4 May 2027',
      `Valid until ${formatDay(addDays(firstDay, 14))} 2027`,
      'Made by hand.',
    ])
      expect(text).to.contain(told)
    expect(text).not.to.match(/hour|Ingredient|Margin|spare|estimate| h /i)
  })

  it('has no paper before it is quoted', async () => {
    const problem = await problemOf(workshop.api(endpoints.orders.quoteSheet, { params: { id: order.id } }))
    expect(problem.detail).to.contain('no quote on paper yet')
  })

  it('keeps its quoted cut and the bars of each pour, on the page, at the bench and in the loaf', async () => {
    await accept()
    const { api } = workshop
    const view = await api(endpoints.season)
    const part = { mouldId, mouldCount: 1, barsWanted: 10, barThicknessMm: 24 }
    expect(view.batches.map((batch) => batch.part)).to.deep.equal([part, part])
    const [first, second] = view.batches
    if (!first || !second) throw new Error('Expected two pours')
    await pourUpTo(workshop, first.id, null)
    const { loafIds } = await api(endpoints.batches.finish, { params: { id: first.id } })
    const { loaf } = await api(endpoints.loaves.view, { params: { id: loafIds[0] ?? '' } })
    expect(loaf).to.deep.include({ barsPlanned: 10, barThicknessMm: 24 })

    // Taken off and put on again, it is the same pour of the same order.
    const { version } = second
    await api(endpoints.batches.remove, { params: { id: second.id }, body: { version } })
    const again = await api(endpoints.batches.create, { body: { designId: second.designId, pourDay: '2027-04-03' } })
    expect(again).to.deep.include({ name: 'Rowing club, pour 2 of 2', bars: 10, part })
  })

  it('is made at the bench by what was quoted, not by the mould’s usual cut', async () => {
    await accept()
    const view = await workshop.api(endpoints.season)
    const [first] = view.batches
    const { plan } = await workshop.api(endpoints.batches.view, { params: { id: first?.id ?? '' } })
    // 250 mm at 24 mm a bar, no trim: ten bars.
    expect(plan).to.deep.include({
      designName: 'Rowing club, pour 1 of 2',
      barsWanted: 10,
      barsPlanned: 10,
      mouldCount: 1,
    })
  })

  it('is charged for edges that its quote does not have, each bar once', async () => {
    const plain = { ...order, bevelled: false }
    const { id: _id, isRemoved: _removed, ...details } = plain
    order = await workshop.api(endpoints.orders.update, { params: { id: order.id }, body: details })
    await accept()
    const [first] = (await workshop.api(endpoints.season)).batches
    await pourUpTo(workshop, first?.id ?? '', null)
    const { loafIds } = await workshop.api(endpoints.batches.finish, { params: { id: first?.id ?? '' } })
    const id = loafIds[0] ?? ''
    let { loaf } = await workshop.api(endpoints.loaves.view, { params: { id } })
    const record = async (event: Record<string, unknown>): Promise<void> => {
      const body = { ...event, day: firstDay, version: loaf.version } as never
      loaf = (await workshop.api(endpoints.loaves.record, { params: { id }, body })).loaf
    }
    await record({ type: 'unmoulded' })
    await record({ type: 'cut', bars: 10, ends: 2, firstBarG: 119, bevelled: false })
    const bevelled = { type: 'finished', finish: 'bevelled', minutes: 9, removedG: null }
    await record({ ...bevelled, bars: 6 })
    await record({ ...bevelled, bars: 6 })
    await record({ ...bevelled, finish: 'planed', bars: 10 })
    const { orders, workshop: settings } = await workshop.api(endpoints.season)
    const eachCents = settings.pricing.bevelCentsPerBar
    expect(eachCents).to.be.above(0)
    expect(orders[0]?.charges.map(({ cents }) => cents)).to.deep.equal([6 * eachCents, 4 * eachCents])
    expect(orders[0]?.charges[0]?.what).to.equal(`Bevelling 6 bars of lot ${loaf.lotCode}`)
  })

  it('is accepted once, under the version that was quoted, and not for the past', async () => {
    expect((await problemOf(accept(9))).status).to.equal(409)
    workshop.setDay('2027-03-25')
    expect((await problemOf(accept())).detail).to.contain('a day that is past')
    workshop.setDay(firstDay)
    const accepted = await accept()
    expect((await problemOf(accept(accepted.version))).detail).to.equal('This order is accepted already.')
    const view = await workshop.api(endpoints.season)
    expect(view.batches).to.have.length(2)
  })

  it('keeps nothing of an acceptance that fails half way', async () => {
    const body = {
      version: order.version,
      priceCents: 1,
      promisedDay: '2027-05-04',
      batches: [...batches(), { ...batches()[0]!, mouldId: 'gone' }],
    }
    const problem = await problemOf(workshop.api(endpoints.orders.accept, { params: { id: order.id }, body }))
    expect(problem.detail).to.equal('There is no such mould.')
    const view = await workshop.api(endpoints.season)
    expect(view.batches).to.deep.equal([])
    expect(view.collections).to.have.length(1)
    expect(view.orders[0]).to.deep.include({ state: 'asked', collectionId: null })
  })

  it('is refused without a client, a day or whole bars', async () => {
    const { id: _id, version: _version, isRemoved: _removed, ...details } = order
    for (const [field, value] of [
      ['client', ' '],
      ['dueDay', 'soon'],
      ['bars', 1.5],
      ['state', 'perhaps'],
    ] as const) {
      const problem = await problemOf(
        workshop.api(endpoints.orders.create, { body: { ...details, [field]: value } as never }),
      )
      expect(problem.errors?.map((error) => error.field)).to.deep.equal([field])
    }
  })
})
