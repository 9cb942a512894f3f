import type { SavedOrder } from '@vendange/contract'
import { blankCustomer, blankOrder, endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { releasedSoapIn } from './releasedSoap'
import type { TestWorkshop } from './workshopAtTest'
import { openTestWorkshop, problemOf } from './workshopAtTest'

describe('who gets bars again and again', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const subscriber = (name: string, monthlyBars: number) => ({ ...blankCustomer, name, monthlyBars })
  const recipient = (who: string, bars: number) => ({ who, bars, address: '', wish: '' })

  it('is taken in from a list, once however often it comes', async () => {
    const { api } = workshop
    const first = await api(endpoints.customers.takeIn, {
      body: { customers: [subscriber('Wren', 2), subscriber('Ada', 3)] },
    })
    expect(first.customers.map(({ name, version }) => `${name} ${version}`)).to.deep.equal(['Ada 1', 'Wren 1'])
    const again = await api(endpoints.customers.takeIn, {
      body: { customers: [subscriber('Ada', 4), { ...blankCustomer, kind: 'shop', name: 'Ada' }] },
    })
    expect(again.customers.map(({ kind, name, monthlyBars }) => `${kind} ${name} ${monthlyBars}`)).to.have.members([
      'subscriber Ada 4',
      'shop Ada 1',
      'subscriber Wren 2',
    ])
  })

  it('is changed, taken away and brought back like all that is kept', async () => {
    const { api } = workshop
    const saved = await api(endpoints.customers.create, { body: subscriber('Wren', 2) })
    const { id, isRemoved: _, ...details } = saved
    const changed = await api(endpoints.customers.update, { params: { id }, body: { ...details, isPaused: true } })
    expect(changed).to.deep.include({ isPaused: true, version: 2 })
    await api(endpoints.customers.remove, { params: { id }, body: { version: 2 } })
    expect((await api(endpoints.customers.view)).customers).to.deep.equal([])
    await api(endpoints.customers.restore, { params: { id }, body: { version: 3 } })
    expect((await api(endpoints.customers.view)).customers).to.have.length(1)
  })

  it('has bars of a shop until it sold them or they come back', async () => {
    const { api } = workshop
    const { soap, loafIds } = await releasedSoapIn(workshop, 2)
    const gift = { designId: soap.id, bars: 12, channel: 'Shops', who: 'The Quay', orderId: null } as const
    await api(endpoints.release.allot, { body: gift })
    await api(endpoints.release.takeSales, {
      body: {
        sales: [
          {
            saleId: 'q1',
            day: '2027-04-12',
            designId: soap.id,
            lotCode: '',
            channel: 'Shops',
            bars: 3,
            buyer: 'The Quay',
            priceCents: 500,
          },
        ],
      },
    })
    const bars = async () => (await api(endpoints.customers.view)).bars
    expect(await bars()).to.deep.equal([
      { who: 'The Quay', channel: 'Shops', designId: soap.id, soap: soap.name, aside: 9, sold: 3 },
    ])
    const back = (count: number) =>
      api(endpoints.customers.barsBack, { body: { who: 'The Quay', designId: soap.id, bars: count } })
    expect((await problemOf(back(10))).detail).to.equal('The Quay has only 9 bars of it.')
    await back(4)
    expect(await bars()).to.deep.equal([
      { who: 'The Quay', channel: 'Shops', designId: soap.id, soap: soap.name, aside: 5, sold: 3 },
    ])
    const states = await Promise.all(
      loafIds.map(async (id) => (await api(endpoints.loaves.view, { params: { id } })).loaf.state),
    )
    // 20 released, 8 with the shop or sold by it: 12 may be given out again.
    const aside = states.flatMap(({ channels }) => channels).reduce((sum, { allotted }) => sum + allotted, 0)
    expect(aside).to.equal(8)
  })

  describe('of an order', () => {
    let order: SavedOrder
    let soapId: string
    const send = (version = order.version) =>
      workshop.api(endpoints.sendOrder, { params: { id: order.id }, body: { version } })
    const give = (who: string, bars: number) =>
      workshop.api(endpoints.release.allot, {
        body: { designId: soapId, bars, channel: 'Subscribers', who, orderId: order.id },
      })
    beforeEach(async () => {
      const { soap, collection } = await releasedSoapIn(workshop, 1)
      soapId = soap.id
      order = await workshop.api(endpoints.orders.create, {
        body: {
          ...blankOrder,
          client: 'Boxes of May',
          bars: 7,
          dueDay: '2027-05-01',
          state: 'accepted',
          collectionId: collection.id,
          priceCents: 5000,
          recipients: [recipient('Ada', 3), recipient('Wren', 4)],
        },
      })
    })

    it('goes off to each with its share of the price, once it is set aside', async () => {
      expect((await problemOf(send())).detail).to.equal(
        'None of its bars is set aside for the client. Give them out first, then send them.',
      )
      await give('Ada', 3)
      const partly = await send()
      expect(partly).to.deep.include({ state: 'accepted', sentDay: '2027-04-12', packedDay: '2027-04-12' })
      await give('Wren', 4)
      const given = await workshop.api(endpoints.givenForOrder, { params: { id: order.id } })
      expect(given.map(({ who, aside, sent }) => `${who} ${aside} ${sent}`)).to.deep.equal(['Ada 0 3', 'Wren 4 0'])
      expect(await send(partly.version)).to.deep.include({ state: 'delivered' })
      const trace = (await workshop.api(endpoints.loaves.ofDesign, { params: { id: soapId } }))[0]!
      const view = await workshop.api(endpoints.loaves.view, { params: { id: trace.id } })
      const sold = view.events.flatMap(({ event }) => (event.type === 'sold' ? [event] : []))
      // 50.00 over 7 bars: two of 7.15 and five of 7.14.
      expect(sold.map(({ buyer, bars, priceCents }) => `${buyer} ${bars} ${priceCents}`)).to.deep.equal([
        'Ada 2 715',
        'Ada 1 714',
        'Wren 4 714',
      ])
      expect(view.loaf.state.takenCents).to.equal(5000)
      expect((await problemOf(send(partly.version))).status).to.equal(409)
    })

    it('goes nowhere once it was called back', async () => {
      await give('Ada', 3)
      const loaf = (await workshop.api(endpoints.loaves.ofDesign, { params: { id: soapId } }))[0]!
      await workshop.api(endpoints.loaves.record, {
        params: { id: loaf.id },
        body: { type: 'recalled', day: '2027-04-12', reason: 'Spots', version: loaf.version } as never,
      })
      expect((await problemOf(send())).detail).to.contain(`Lot ${loaf.lotCode} is among its bars`)
    })

    it('has no more bars in its boxes than it is of', async () => {
      const { id, isRemoved: _, ...details } = order
      const body = { ...details, bars: 6 }
      const problem = await problemOf(workshop.api(endpoints.orders.update, { params: { id }, body }))
      expect(problem.errors).to.deep.equal([
        { field: 'recipients', message: '7 bars are in its boxes, and the order is of 6.' },
      ])
    })
  })
})
