import type { NewDesign, NewSale } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { labelStocks } from '@vendange/core/release'
import { expect } from 'chai'
import { textOfPdf } from './pdfText'
import { releaseDay, releasedSoapIn } from './releasedSoap'
import type { TestWorkshop } from './workshopAtTest'
import { openTestWorkshop, problemOf } from './workshopAtTest'

describe('from release to the last bar', () => {
  let workshop: TestWorkshop
  beforeEach(async () => {
    workshop = await openTestWorkshop()
  })
  afterEach(() => workshop.close())

  const delivery = {
    supplier: 'Mill',
    receivedDay: '2027-01-10',
    openedDay: null,
    bestBeforeDay: null,
    isRecalled: false,
    receivedAmount: 2000,
    adjustment: 0,
    priceCents: 900,
    carriageCents: 0,
    certificate: null,
  }

  const releasedSoap = (loaves: number, barsEach = 10, design: Partial<NewDesign> = {}) =>
    releasedSoapIn(workshop, loaves, barsEach, design)
  const allotment = (designId: string, bars: number) =>
    ({ designId, bars, channel: 'Web', who: 'the drop', orderId: null }) as const
  const stateOf = async (id: string) => (await workshop.api(endpoints.loaves.view, { params: { id } })).loaf.state

  it('gives out exactly fifty when a hundred ask for the last fifty at once', async () => {
    const { soap, loafIds } = await releasedSoap(5)
    const answers = await Promise.allSettled(
      Array.from({ length: 100 }, () => workshop.api(endpoints.release.allot, { body: allotment(soap.id, 1) })),
    )
    expect(answers.filter(({ status }) => status === 'fulfilled')).to.have.length(50)
    const states = await Promise.all(loafIds.map(stateOf))
    expect(states.map(({ channels }) => channels)).to.deep.equal(
      Array.from({ length: 5 }, () => [{ channel: 'Web', allotted: 10, sold: 0 }]),
    )
    const late = await problemOf(workshop.api(endpoints.release.allot, { body: allotment(soap.id, 1) }))
    expect(late).to.deep.include({ status: 422, detail: 'No bar of it is free any more.' })
  }).timeout(60_000)

  it('takes from the oldest first, over several loaves, and never more than there are', async () => {
    const { soap, loafIds } = await releasedSoap(2)
    const given = await workshop.api(endpoints.release.allot, { body: allotment(soap.id, 13) })
    expect(given.lots).to.deep.equal([
      { lotCode: '270308-1', bars: 10 },
      { lotCode: '270308-2', bars: 3 },
    ])
    const over = await problemOf(workshop.api(endpoints.release.allot, { body: allotment(soap.id, 8) }))
    expect(over.detail).to.equal('Only 7 bars are free.')
    expect((await stateOf(loafIds[1]!)).channels[0]?.allotted).to.equal(3)
  })

  it('keeps samples in sight when all else is sold', async () => {
    const { soap, loafIds } = await releasedSoap(1)
    const { api } = workshop
    expect(await api(endpoints.release.kept)).to.deep.equal([])
    await api(endpoints.release.allot, { body: { ...allotment(soap.id, 1), channel: 'Kept' } })
    await api(endpoints.release.allot, { body: allotment(soap.id, 9) })
    const sale = { saleId: 's', day: releaseDay, designId: soap.id, lotCode: '', channel: 'Web' as const, bars: 9 }
    await api(endpoints.release.takeSales, { body: { sales: [{ ...sale, buyer: 'A. Buyer', priceCents: null }] } })
    expect((await api(endpoints.release.kept)).map(({ id }) => id)).to.deep.equal(loafIds)
  })

  it('prints a card for each tray and each rack', async () => {
    const { loafIds } = await releasedSoap(1, 4)
    for (const path of [`/api/loaves/${loafIds[0]}/tray-cards.pdf`, '/api/room/rack-cards.pdf']) {
      const answer = await fetch(new URL(path, workshop.url))
      expect([answer.status, answer.headers.get('content-type')]).to.deep.equal([200, 'application/pdf'])
      expect(
        Buffer.from(await answer.arrayBuffer())
          .subarray(0, 5)
          .toString(),
      ).to.equal('%PDF-')
    }
    expect((await fetch(new URL('/api/loaves/nothing/tray-cards.pdf', workshop.url))).status).to.equal(404)
  })

  it('gives bars of several soaps out at once, all of it or none', async () => {
    const { soap, loafIds } = await releasedSoap(1)
    const { api } = workshop
    const give = (...bars: readonly number[]) =>
      api(endpoints.release.giveOut, { body: { gifts: bars.map((one) => allotment(soap.id, one)) } })
    const refused = await problemOf(give(6, 5))
    expect([refused.status, refused.detail]).to.deep.equal([422, 'Only 4 bars are free.'])
    expect((await stateOf(loafIds[0]!)).channels).to.deep.equal([])
    const given = await give(6, 4)
    expect(given.map(({ lots }) => lots.map(({ bars }) => bars))).to.deep.equal([[6], [4]])
    expect((await stateOf(loafIds[0]!)).channels).to.deep.equal([{ channel: 'Web', allotted: 10, sold: 0 }])
  })

  it('prints the labels of several loaves on sheets without gaps, from the first free place', async () => {
    const { loafIds } = await releasedSoap(2, 4)
    const ask = async (query: Record<string, string>) => {
      const address = new URL(`/api/labels.pdf?${new URLSearchParams(query).toString()}`, workshop.url)
      const answer = await fetch(address)
      const isPdf = answer.headers.get('content-type') === 'application/pdf'
      return { status: answer.status, pages: isPdf ? await textOfPdf(new Uint8Array(await answer.arrayBuffer())) : [] }
    }
    const loaves = loafIds.join()
    // Two loaves of four bars on sheets of two by seven.
    const whole = await ask({ loaves, stock: 'a4-14' })
    expect([whole.status, whole.pages.length]).to.deep.equal([200, 1])
    const { loaf } = await workshop.api(endpoints.loaves.view, { params: { id: loafIds[1]! } })
    expect(whole.pages.join(' ').split(`Lot ${loaf.lotCode}`)).to.have.length(4 + 1)
    // From the tenth place five fit on the used sheet, three on the next.
    const used = await ask({ loaves, stock: 'a4-14', first: '10' })
    expect(used.pages.map((text) => text.split(/Lot \d{6}-\d/).length - 1)).to.deep.equal([5, 3])
    for (const wrong of [{ loaves: '' }, { loaves, first: '15' }, { loaves, first: '0' }, { loaves, first: 'x' }])
      expect((await ask({ stock: 'a4-14', ...wrong })).status, JSON.stringify(wrong)).to.equal(422)
    expect((await ask({ loaves: 'none' })).status).to.equal(404)
  })

  describe('a report of sales', () => {
    const sale = (designId: string, saleId: string, bars: number): NewSale => ({
      saleId,
      day: releaseDay,
      designId,
      lotCode: '',
      channel: 'Web',
      bars,
      buyer: 'A. Buyer',
      priceCents: 900,
    })
    const send = (...sales: readonly unknown[]) =>
      workshop.api(endpoints.release.takeSales, { body: { sales: sales as NewSale[] } })

    it('is taken once, and a wrong line is told and takes no other with it', async () => {
      const { soap, loafIds } = await releasedSoap(1)
      await workshop.api(endpoints.release.allot, { body: allotment(soap.id, 6) })
      const of = (saleId: string, bars: number): NewSale => sale(soap.id, saleId, bars)
      const none = { beforeRelease: 2, refused: [] }
      expect(await send(of('s1', 2), of('s2', 1))).to.deep.equal({ ...none, taken: 2, known: 0 })
      expect(await send(of('s1', 2))).to.deep.equal({ taken: 0, known: 1, beforeRelease: 0, refused: [] })
      const wrong = [
        of('s3', 9),
        { ...of('s4', 1), bars: 0.5 },
        { ...of('s5', 1), day: '2027-04-11' },
        { ...of('s6', 1), day: '2027-04-13' },
        { ...of('s7', 1), day: '2027-02-30' },
        { ...of('s8', 1), designId: 'another' },
        7,
      ]
      const { taken, refused } = await send(...wrong.slice(0, 4), of('s9', 1), ...wrong.slice(4))
      expect(taken).to.equal(1)
      expect(refused.map(({ saleId }) => saleId)).to.deep.equal(['s3', 's4', 's5', 's6', 's7', 's8', ''])
      expect(refused[0]?.detail).to.contain('6 of them were never set aside for Web')
      expect(refused[2]?.detail).to.contain('when the loaf was released')
      expect(refused[3]?.detail).to.equal('That day has not come yet.')
      expect((await stateOf(loafIds[0]!)).channels).to.deep.equal([{ channel: 'Web', allotted: 6, sold: 4 }])
    })

    it('tells what was sold before the collection is out, and keeps it as such', async () => {
      const { soap, loafIds } = await releasedSoap(1)
      await workshop.api(endpoints.release.allot, { body: allotment(soap.id, 4) })
      expect(await send(sale(soap.id, 's1', 1))).to.deep.include({ taken: 1, beforeRelease: 1 })
      workshop.setDay('2027-04-25')
      expect(await send({ ...sale(soap.id, 's2', 1), day: '2027-04-25' })).to.deep.include({ beforeRelease: 0 })
      const { events } = await workshop.api(endpoints.loaves.view, { params: { id: loafIds[0]! } })
      const early = events.flatMap(({ event }) => (event.type === 'sold' ? [event.isBeforeRelease ?? false] : []))
      expect(early).to.deep.equal([true, false])
    })

    it('counts an early moment by its bars: what is sold beyond them is before the release', async () => {
      const { soap, collection } = await releasedSoap(1)
      const { api } = workshop
      const { id, version, isRemoved: _removed, ...details } = collection
      const early = [{ audience: 'Mailing list', local: '2027-04-20T10:00', bars: 3 }]
      await api(endpoints.collections.update, { params: { id }, body: { ...details, early, version } })
      await api(endpoints.release.allot, { body: allotment(soap.id, 8) })
      workshop.setDay('2027-04-21')
      const on = (saleId: string, bars: number) => send({ ...sale(soap.id, saleId, bars), day: '2027-04-21' })
      expect(await on('s1', 2)).to.deep.include({ taken: 1, beforeRelease: 0 })
      expect(await on('s2', 2)).to.deep.include({ taken: 1, beforeRelease: 1 })
      const given = await api(endpoints.givenInCollection, { params: { id } })
      expect(given.map(({ who, channel, aside, sent }) => [who, channel, aside + sent])).to.deep.include([
        'the drop',
        'Web',
        4,
      ])
    })

    it('keeps a sale that found no bar as owed until it is settled, with a free bar or the money', async () => {
      const { api } = workshop
      const { soap, loafIds } = await releasedSoap(1)
      await api(endpoints.release.allot, { body: allotment(soap.id, 1) })
      const owed = async () => (await api(endpoints.season)).owedSales.map(({ saleId, bars }) => [saleId, bars])
      const settle = (saleId: string, how: 'free_bar' | 'money_back') =>
        api(endpoints.release.settleSale, { body: { saleId, how } })
      const answer = await send(sale(soap.id, 's1', 1), sale(soap.id, 's2', 1), sale(soap.id, 's3', 1), {
        saleId: 's4',
      })
      expect(answer.refused.map(({ saleId, isOwed }) => [saleId, isOwed])).to.deep.equal([
        ['s2', true],
        ['s3', true],
        ['s4', false],
      ])
      await send(sale(soap.id, 's2', 1))
      expect(await owed()).to.deep.equal([
        ['s2', 1],
        ['s3', 1],
      ])

      await settle('s2', 'free_bar')
      await settle('s3', 'money_back')
      expect(await owed()).to.deep.equal([])
      expect((await stateOf(loafIds[0]!)).channels).to.deep.equal([{ channel: 'Web', allotted: 2, sold: 2 }])
      // Whatever is reported once more, it is done with.
      expect(await send(sale(soap.id, 's2', 1), sale(soap.id, 's3', 1))).to.deep.include({ known: 2, refused: [] })
      expect((await problemOf(settle('s3', 'free_bar'))).status).to.equal(404)
    })

    it('settles nothing with bars that are not there, and by itself what is set aside later', async () => {
      const { api } = workshop
      const { soap } = await releasedSoap(1)
      const { refused } = await send(sale(soap.id, 's1', 500))
      expect(refused[0]?.isOwed).to.equal(true)
      const settling = api(endpoints.release.settleSale, { body: { saleId: 's1', how: 'free_bar' } })
      expect((await problemOf(settling)).status).to.equal(422)
      expect((await api(endpoints.season)).owedSales).to.have.length(1)
      await send(sale(soap.id, 's2', 1))
      await api(endpoints.release.allot, { body: allotment(soap.id, 1) })
      expect((await send(sale(soap.id, 's2', 1))).taken).to.equal(1)
      expect((await api(endpoints.season)).owedSales.map(({ saleId }) => saleId)).to.deep.equal(['s1'])
      expect((await send(sale('no such soap', 's3', 1))).refused[0]?.isOwed).to.equal(false)
    })

    it('sells nothing of a loaf that was called back, nor of a lot that was', async () => {
      const { api } = workshop
      const oil = {
        kind: 'fat',
        name: 'Olive oil',
        ref: 'olive',
        leadDays: 5,
        packSize: 1000,
        perBar: 0,
        listCents: 0,
        isListEstimate: true,
      } as const
      const ingredient = await api(endpoints.ingredients.create, {
        body: { ...oil, densityGMl: null, makeup: null, inci: '', notes: '' },
      })
      const details = { ...delivery, lotNumber: 'K-1', ingredientId: ingredient.id }
      const lot = await api(endpoints.lots.create, { body: details })
      const { soap, loafIds } = await releasedSoap(1)
      await api(endpoints.release.allot, { body: allotment(soap.id, 4) })
      await api(endpoints.lots.update, { params: { id: lot.id }, body: { ...details, isRecalled: true, version: 1 } })
      const { refused } = await send(sale(soap.id, 's1', 1))
      expect(refused[0]?.detail).to.contain('have Olive oil K-1 in them, which was called back')
      const aside = await problemOf(api(endpoints.release.allot, { body: allotment(soap.id, 1) }))
      expect(aside.detail).to.contain('Olive oil K-1 in it was called back')
      const drop = { designId: soap.id, name: soap.name, bars: 1, priceCents: 950 }
      expect((await problemOf(api(endpoints.shop.offer, { body: drop }))).detail).to.contain('No bar more is set aside')
      await api(endpoints.lots.update, { params: { id: lot.id }, body: { ...details, version: 2 } })
      expect((await api(endpoints.shop.offer, { body: drop })).offered).to.equal(1)
      const { loaf } = await api(endpoints.loaves.view, { params: { id: loafIds[0]! } })
      const recall = { type: 'recalled', day: releaseDay, reason: 'Lye heavy', version: loaf.version } as const
      await api(endpoints.loaves.record, { params: { id: loaf.id }, body: recall })
      expect((await send(sale(soap.id, 's2', 1))).refused[0]?.detail).to.equal('It was called back: Lye heavy')
      const buy = api(endpoints.shop.buy, { params: { designId: soap.id }, body: { bars: 1, buyer: 'A. Buyer' } })
      expect((await problemOf(buy)).detail).to.equal('The shop is sold out of it.')
    })
  })

  it('never offers more than was set aside, in two tabs at once either', async () => {
    const { soap } = await releasedSoap(1)
    const { api } = workshop
    await api(endpoints.release.allot, { body: allotment(soap.id, 6) })
    const drop = { designId: soap.id, name: soap.name, bars: 2, priceCents: 950 }
    const offered = await Promise.allSettled(Array.from({ length: 8 }, () => api(endpoints.shop.offer, { body: drop })))
    expect(offered.filter(({ status }) => status === 'fulfilled')).to.have.length(3)
    await api(endpoints.shop.buy, { params: { designId: soap.id }, body: { bars: 6, buyer: 'A. Buyer' } })
    // Sold there and not reported yet, they are nobody else’s.
    expect((await problemOf(api(endpoints.shop.offer, { body: drop }))).detail).to.contain('No bar more is set aside')
  })

  it('opens the shop by its moments, and closes one with the last of its bars', async () => {
    const { soap } = await releasedSoap(1)
    const { api } = workshop
    await api(endpoints.release.allot, { body: allotment(soap.id, 8) })
    const moments = [
      { audience: 'Mailing list', opensAt: '2027-04-20T09:00:00.000Z', bars: 3 },
      { audience: 'Friends', opensAt: '2027-04-22T09:00:00.000Z', bars: null },
    ]
    const times = { dropId: 'drop-1', opensAt: '2027-04-24T17:00:00.000Z', moments }
    const body = { designId: soap.id, name: soap.name, bars: 8, priceCents: 950, ...times }
    await api(endpoints.shop.offer, { body })
    const buy = (bars: number, audience?: string) =>
      api(endpoints.shop.buy, {
        params: { designId: soap.id },
        body: { bars, buyer: 'Made-up buyer', ...(audience === undefined ? {} : { audience }) },
      })
    const refusal = async (bars: number, audience?: string): Promise<string> =>
      (await problemOf(buy(bars, audience))).detail
    expect(await refusal(1)).to.match(/^It opens on .*24 Apr/)
    expect(await refusal(1, 'Mailing list')).to.match(/^It opens on .*20 Apr/)
    workshop.setDay('2027-04-21')
    await buy(2, 'Mailing list')
    expect(await refusal(2, 'Mailing list')).to.equal('One bar is left for Mailing list.')
    await buy(1, 'Mailing list')
    expect(await refusal(1, 'Mailing list')).to.equal('The bars for Mailing list are gone: the moment is over.')
    expect(await refusal(1, 'Nobody known')).to.match(/^It opens on/)
    const offered = async () => (await api(endpoints.shop.offers)).find(({ designId }) => designId === soap.id)
    expect((await offered())?.moments.map(({ sold, isOpen }) => [sold, isOpen])).to.deep.equal([
      [3, false],
      [0, false],
    ])
    workshop.setDay('2027-04-23')
    await buy(4, 'Friends')
    workshop.setDay('2027-04-25')
    await buy(1)
    expect(await offered()).to.deep.include({ sold: 8, isOpen: true })
    const wrong = { ...body, bars: 1, opensAt: '2027-14-24T17:00:00Z' }
    expect((await problemOf(api(endpoints.shop.offer, { body: wrong }))).status).to.equal(400)
  })

  it('sells a drop out through the simulated shop, and reports it back', async () => {
    const { soap, loafIds } = await releasedSoap(1)
    const { api } = workshop
    await api(endpoints.release.allot, { body: allotment(soap.id, 4) })
    const drop = { designId: soap.id, name: soap.name, bars: 4, priceCents: 950 }
    expect(await api(endpoints.shop.offer, { body: drop })).to.deep.include({ offered: 4, sold: 0 })
    const buy = (bars: number) =>
      api(endpoints.shop.buy, { params: { designId: soap.id }, body: { bars, buyer: 'Made-up buyer' } })
    await buy(3)
    await buy(1)
    expect((await problemOf(buy(1))).detail).to.equal('The shop is sold out of it.')
    const offers = await api(endpoints.shop.offers)
    expect(offers.find(({ designId }) => designId === soap.id)).to.deep.include({ offered: 4, sold: 4 })
    const sales = await api(endpoints.shop.sales, { params: { after: '0' } })
    expect(sales.map(({ bars }) => bars)).to.deep.equal([3, 1])
    const body = {
      sales: sales.map(({ saleId, day, designId, bars, buyer, priceCents }) => ({
        saleId,
        day,
        designId,
        bars,
        buyer,
        priceCents,
        lotCode: '',
        channel: 'Web' as const,
      })),
    }
    expect(await api(endpoints.release.takeSales, { body })).to.deep.include({ taken: 2, known: 0 })
    expect((await stateOf(loafIds[0]!)).channels).to.deep.equal([{ channel: 'Web', allotted: 4, sold: 4 }])
  })

  it('adds up what the pots of one pour took of a delivery', async () => {
    const { api } = workshop
    const ingredient = await api(endpoints.ingredients.create, {
      body: {
        kind: 'colourant',
        name: 'amber',
        ref: '',
        leadDays: 5,
        packSize: 100,
        perBar: 0,
        listCents: 0,
        isListEstimate: true,
        densityGMl: null,
        makeup: null,
        inci: '',
        notes: '',
      },
    })
    const lot = await api(endpoints.lots.create, {
      body: { ...delivery, lotNumber: 'C-1', ingredientId: ingredient.id },
    })
    const pot = { name: 'amber', hex: '#D99A3C', share: 0.5 }
    await releasedSoap(1, 10, {
      colours: [
        { ...pot, rateGPerKg: 7 },
        { ...pot, rateGPerKg: 3 },
      ],
    })
    const { lots } = await api(endpoints.stores)
    const trace = await api(endpoints.release.traceLot, { params: { id: lot.id } })
    expect(trace.usedAmount).to.be.above(0)
    expect(trace.usedAmount).to.equal(lots.find(({ id }) => id === lot.id)?.usedAmount)
  })

  it('traces a delivery to every buyer, and holds a loaf back whose lot was called back', async () => {
    const { api } = workshop
    const ingredient = await api(endpoints.ingredients.create, {
      body: {
        kind: 'fat',
        name: 'Olive oil',
        ref: 'olive',
        leadDays: 5,
        packSize: 1000,
        perBar: 0,
        listCents: 0,
        isListEstimate: true,
        densityGMl: null,
        makeup: null,
        inci: '',
        notes: '',
      },
    })
    const details = { ...delivery, lotNumber: 'K-1', ingredientId: ingredient.id }
    const lot = await api(endpoints.lots.create, { body: details })
    const other = await api(endpoints.lots.create, {
      body: { ...details, receivedDay: '2027-02-01', lotNumber: 'K-2' },
    })
    const { soap, loafIds } = await releasedSoap(2, 6)
    await api(endpoints.release.allot, { body: allotment(soap.id, 8) })
    const sale = { saleId: 's1', day: releaseDay, designId: soap.id, lotCode: '', channel: 'Web', bars: 7 } as const
    await api(endpoints.release.takeSales, { body: { sales: [{ ...sale, buyer: 'A. Buyer', priceCents: null }] } })
    const trace = await api(endpoints.release.traceLot, { params: { id: lot.id } })
    expect(trace).to.deep.include({ ingredientName: 'Olive oil', batches: 1 })
    expect(trace.usedAmount).to.be.above(700)
    const gone = trace.loaves.toReversed().map(({ lotCode, free, whereabouts }) => ({
      lotCode,
      free,
      bars: whereabouts.map(({ who, bars, isSold }) => [who, bars, isSold]),
    }))
    expect(gone).to.deep.equal([
      { lotCode: '270308-1', free: 0, bars: [['A. Buyer', 6, true]] },
      {
        lotCode: '270308-2',
        free: 4,
        bars: [
          ['A. Buyer', 1, true],
          ['the drop', 1, false],
        ],
      },
    ])
    expect((await api(endpoints.release.traceLot, { params: { id: other.id } })).loaves).to.deep.equal([])

    await api(endpoints.lots.update, { params: { id: lot.id }, body: { ...details, isRecalled: true, version: 1 } })
    const view = await api(endpoints.loaves.view, { params: { id: loafIds[0] ?? '' } })
    const answers = { ph: 9.5, lookIsSound: true, labelIsComplete: true }
    const held = await problemOf(
      api(endpoints.loaves.record, {
        params: { id: view.loaf.id },
        body: { type: 'released', day: releaseDay, bars: 4, ...answers, version: view.loaf.version },
      }),
    )
    expect(held.detail).to.contain('Lots: Called back: Olive oil K-1.')
  })

  it('holds back a loaf whose label lacks the INCI name of a colour, whatever was ticked', async () => {
    const { loafIds } = await releasedSoap(1, 6)
    const [id = ''] = loafIds
    const { api } = workshop
    const amber = (await api(endpoints.stores)).ingredients.find(({ name }) => name === 'amber')
    if (!amber) throw new Error('Expected amber')
    const { id: amberId, isRemoved: _removed, ...details } = amber
    await api(endpoints.ingredients.update, { params: { id: amberId }, body: { ...details, inci: '' } })
    const { loaf, namesOnLabel } = await api(endpoints.loaves.view, { params: { id } })
    expect(namesOnLabel).to.deep.equal([])
    const answers = { type: 'released', day: releaseDay, bars: 4, ph: 9.5, lookIsSound: true, labelIsComplete: true }
    const body = { ...answers, version: loaf.version } as never
    const refused = await problemOf(api(endpoints.loaves.record, { params: { id }, body }))
    expect(refused.errors?.map(({ field }) => field)).to.deep.equal(['labelIsComplete'])
    expect(refused.detail).to.contain('Not complete: it lacks the INCI names of amber.')
  })

  it('prints every label with its whole text, on A4 and on Letter, at the sizes of the stock', async () => {
    const { loafIds } = await releasedSoap(1, 6)
    const [id = ''] = loafIds
    for (const { key, columns, rows, pageWidthMm, pageHeightMm } of labelStocks) {
      const count = columns * rows + 1
      const path = endpoints.release.labels.path.replace(':id', id)
      const bytes = Buffer.from(await (await fetch(`${workshop.url}${path}?stock=${key}&count=${count}`)).arrayBuffer())
      // Where a line of it breaks hangs on the stock.
      const pages = (await textOfPdf(bytes)).map((page) => page.replace(/\s+/g, ' '))
      expect(pages, key).to.have.length(2)
      for (const part of [
        'Lantern Glass',
        'CI 77492',
        'Sodium Olivate',
        '100 g (3.53 oz)',
        'Quillon Lane, 7 Sample Row',
      ])
        expect(
          pages.map((page) => page.split(part).length - 1),
          `${key}: ${part}`,
        ).to.deep.equal([count - 1, 1])
      // Points of a 72nd of an inch.
      const [, width = '', height = ''] = /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(bytes.toString('latin1')) ?? []
      expect([Number(width), Number(height)].map((points) => Math.round((points / 72) * 25.4))).to.deep.equal(
        [pageWidthMm, pageHeightMm].map(Math.round),
      )
    }
  })

  it('lets bars go to samples, and a loaf go against a check with a reason that stays', async () => {
    const { loafIds, soap } = await releasedSoap(1, 6)
    const [id = ''] = loafIds
    const { api } = workshop
    const view = await api(endpoints.loaves.view, { params: { id } })
    const record = (event: Record<string, unknown>, version: number) =>
      api(endpoints.loaves.record, { params: { id }, body: { ...event, day: releaseDay, version } as never })
    const answers = { type: 'released', bars: 4, ph: 11.4, lookIsSound: true, labelIsComplete: true }
    const refused = await problemOf(record(answers, view.loaf.version))
    expect(refused.detail).to.contain('pH: pH 11.4')
    const over = await record({ ...answers, overrideReason: 'A second strip says 9.6.' }, view.loaf.version)
    expect(over.loaf.state).to.deep.include({ releasedBars: 10 })
    expect(over.events.at(-1)?.event).to.deep.include({ overrideReason: 'A second strip says 9.6.' })
    const down = await record({ type: 'downgraded', bars: 3, to: 'samples', reason: 'Chipped.' }, over.loaf.version)
    expect(down.loaf.state.downgradedBars).to.equal(3)
    const late = await problemOf(api(endpoints.release.allot, { body: allotment(soap.id, 8) }))
    expect(late.detail).to.equal('Only 7 bars are free.')
    const recalled = await record({ type: 'recalled', reason: 'Its olive oil was called back.' }, down.loaf.version)
    expect(recalled.loaf.state.recallReason).to.contain('olive oil')
    const none = await problemOf(api(endpoints.release.allot, { body: allotment(soap.id, 1) }))
    expect(none.detail).to.equal('No bar of it is free any more.')
  })
})
