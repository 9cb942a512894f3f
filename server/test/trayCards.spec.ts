import { endpoints } from '@vendange/contract'
import type { LoafSummary } from '@vendange/contract'
import { addDays, formatDay } from '@vendange/core/calendar'
import { deliveryOfCode } from '@vendange/core/stores'
import { expect } from 'chai'
import { rackCardSheet, trayCardSheet } from '../src/loaves/trayCards'
import { cardsPdf } from '../src/parts/cardsPdf'
import { lotCardSheet } from '../src/stores/lotCards'
import { textOfPdf } from './pdfText'
import { pourUpTo } from './pouring'
import type { TestWorkshop } from './workshopAtTest'
import { firstDay, furnish, openTestWorkshop } from './workshopAtTest'

describe('the cards of trays, racks and lots', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  async function loafOf(): Promise<LoafSummary> {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    await pourUpTo(workshop, batch.id, null)
    await api(endpoints.batches.finish, { params: { id: batch.id } })
    const [loaf] = (await api(endpoints.season)).loaves
    if (!loaf) throw new Error('Expected a loaf')
    let { version } = loaf
    for (const event of [
      { type: 'unmoulded' as const },
      { type: 'cut' as const, bars: 10, ends: 2, firstBarG: 119, bevelled: false },
    ]) {
      const body = { ...event, day: firstDay, version } as never
      version = (await api(endpoints.loaves.record, { params: { id: loaf.id }, body })).loaf.version
    }
    return (await api(endpoints.season)).loaves[0]!
  }

  it('say on each tray what it is, how many bars of it lie there, and until when', async () => {
    const loaf = await loafOf()
    const { workshop: details } = await workshop.api(endpoints.season)
    // Ten bars on trays of four: 4, 4 and 2.
    const pages = await textOfPdf(await cardsPdf(trayCardSheet(loaf, { ...details, barsPerTray: 4 }, firstDay)))
    const text = pages.join(' ').replace(/\s+/g, ' ')
    expect(text.split(loaf.lotCode).length - 1).to.equal(3)
    for (const [at, bars] of [4, 4, 2].entries()) expect(text).to.contain(`Tray ${at + 1} of 3: ${bars} bars`)
    const cured = formatDay(addDays(firstDay, loaf.cureDays), firstDay)
    expect(text).to.contain(`Cut on ${formatDay(firstDay, firstDay)}`)
    expect(text).to.contain(`Cured on ${cured}, day ${loaf.cureDays}`)
  })

  it('name every rack with its room, on the paper of the workshop', async () => {
    const { workshop: details } = await workshop.api(endpoints.season)
    const racks = [
      { name: 'North rack', trays: 14 },
      { name: 'Door rack', trays: 1 },
    ]
    for (const [lengthUnit, paper] of [
      ['mm', /MediaBox \[0 0 595/],
      ['in', /MediaBox \[0 0 612 792/],
    ] as const) {
      const bytes = await cardsPdf(rackCardSheet({ ...details, racks, lengthUnit }))
      const text = (await textOfPdf(new Uint8Array(bytes))).join(' ').replace(/\s+/g, ' ')
      expect(text).to.contain('North rack').and.to.contain('Room for 14 trays')
      expect(text).to.match(/Door rack Room for 1 tray\b/)
      expect(Buffer.from(bytes).toString('latin1')).to.match(paper)
    }
  })

  it('name every lot of an ingredient that is not used up, with a code of its own', async () => {
    const { workshop: details } = await workshop.api(endpoints.season)
    const lot = {
      id: 'a',
      supplier: 'Mill',
      lotNumber: 'K-1',
      receivedDay: firstDay,
      bestBeforeDay: addDays(firstDay, 90),
      isRecalled: false,
      receivedAmount: 5000,
      leftAmount: 4000,
      priceCents: 0,
    }
    const sheet = lotCardSheet(
      { name: 'Olive oil' },
      [lot, { ...lot, id: 'b', lotNumber: '', isRecalled: true }],
      details,
      firstDay,
    )
    expect(sheet.cards.map(({ code }) => deliveryOfCode(code))).to.deep.equal(['a', 'b'])
    const text = (await textOfPdf(await cardsPdf(sheet))).join(' ').replace(/\s+/g, ' ')
    expect(text).to.contain('Lot K-1').and.to.contain('Lot without a number').and.to.contain('CALLED BACK')
    expect(text).to.contain(`Best before ${formatDay(addDays(firstDay, 90), firstDay)}`)

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
    const body = { ...oil, densityGMl: null, makeup: null, inci: '', notes: '' }
    const { id } = await api(endpoints.ingredients.create, { body })
    const answer = await fetch(new URL(`/api/ingredients/${id}/lot-cards.pdf`, workshop.url))
    expect([answer.status, answer.headers.get('content-type')]).to.deep.equal([200, 'application/pdf'])
    expect((await fetch(new URL('/api/ingredients/none/lot-cards.pdf', workshop.url))).status).to.equal(404)
  })
})
