import type { LoafTableQuery } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { everyLoaf } from '@vendange/core/loaf'
import { expect } from 'chai'
import { releasedSoapIn } from './releasedSoap'
import type { TestWorkshop } from './workshopAtTest'
import { openTestWorkshop, problemOf } from './workshopAtTest'

describe('the notebook as a table', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const ask = (query: Partial<LoafTableQuery> = {}) =>
    workshop.api(endpoints.loaves.table, { body: { ...everyLoaf, perPage: 2, ...query } })

  it('is paged, sorted and narrowed down by the server, over what went in too', async () => {
    expect(await ask()).to.deep.include({ rows: [], total: 0 })
    await releasedSoapIn(workshop, 3)
    const first = await ask()
    expect([first.rows.length, first.total, first.bars]).to.deep.equal([2, 3, 30])
    const [loaf] = first.rows
    expect(loaf).to.deep.include({ status: 'released', bars: 10, scent: 'Amber blend', pouredDay: '2027-03-08' })
    expect(loaf?.lossShare).to.be.closeTo(1 - 106 / 119, 1e-9)
    expect((await ask({ page: 2 })).rows).to.have.length(1)
    const [fat] = loaf?.ingredients ?? []
    expect((await ask({ text: fat?.toUpperCase() ?? '' })).total).to.equal(3)
    expect((await ask({ text: 'no such thing' })).total).to.equal(0)
    expect((await ask({ isDescending: false })).rows.map(({ lotCode }) => lotCode)).to.deep.equal([
      '270308-1',
      '270308-2',
    ])
  })

  it('knows at once what has happened to a loaf', async () => {
    await releasedSoapIn(workshop, 1)
    expect((await ask({ status: 'released' })).total).to.equal(1)
    workshop.setDay('2027-03-08')
    const { loafIds } = await releasedSoapIn(workshop, 1, 10, {}, [{ type: 'moved', place: 'Attic' }])
    expect((await ask({ status: 'released' })).total).to.equal(2)
    const moved = await ask({ place: 'Attic' })
    expect(moved.rows.map((row) => row.id)).to.deep.equal(loafIds)
    expect(moved.facets.places).to.deep.equal(['Attic'])
  })

  it('refuses what is no wish in words', async () => {
    expect((await problemOf(ask({ page: 0 }))).errors?.[0]?.field).to.equal('page')
    expect((await problemOf(ask({ sortBy: 'nothing' as never }))).errors?.[0]?.field).to.equal('sortBy')
    expect((await problemOf(ask({ from: 'yesterday' }))).errors?.[0]?.field).to.equal('from')
  })
})
