import type { SeasonView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { datedSeason } from '@vendange/core/season'
import { expect } from 'chai'
import { sql } from 'drizzle-orm'
import { pourUpTo } from './pouring'
import type { TestWorkshop } from './workshopAtTest'
import { aDesign, firstDay, furnish, openTestWorkshop } from './workshopAtTest'

/** Writes into the file behind the server’s back, as no request can. */
const spoil = (workshop: TestWorkshop, statement: string): Promise<unknown> =>
  workshop.database.write((transaction) => transaction.run(sql.raw(statement)))

const damages: readonly (readonly [string, string, string])[] = [
  ['a price beyond what is exact', 'UPDATE lots SET price_cents = 9007199254740993', 'priceCents'],
  ['a number of cavities beyond what is exact', 'UPDATE moulds SET cavity_count = 9007199254740993', 'cavityCount'],
  ['a day of the next millennium', "UPDATE batches SET pour_day = '9027-01-01'", 'pourDay'],
  ['a day that there is not', "UPDATE designs SET earliest_day = '2027-99-10'", 'earliestDay'],
  ['a release at no moment', "UPDATE collections SET release_local = '2027-02-30T10:00'", 'releaseLocal'],
  ['colours that are no JSON', "UPDATE designs SET colours = '[{'", 'colours'],
  ['fats that are none', `UPDATE recipes SET fats = '{"rows":0.3}'`, 'fats'],
  ['hours that are null', "UPDATE makers SET week_hours = '[null]'", 'weekHours'],
  ['a width that is a word', "UPDATE moulds SET width_mm = 'wide'", 'widthMm'],
  ['a superfat without end', 'UPDATE recipes SET superfat = 9e999', 'superfat'],
  ['an unknown unit', "UPDATE workshop SET mass_unit = 'stone'", 'massUnit'],
  ['an entry of a loaf that is none', `UPDATE loaf_events SET happening = '{"type":"sung"}'`, 'event'],
  ['a state of a loaf that is none', "UPDATE loaves SET state = 'x'", 'state'],
  ['a step at the bench beyond measure', 'UPDATE bench_records SET actual = 9e300 WHERE id = 2', 'actual'],
  ['a frozen pour that is none', "UPDATE batches SET frozen = '{}' WHERE status = 'poured'", 'frozen'],
]

describe('a row that was damaged', () => {
  let workshop: TestWorkshop
  beforeEach(async () => {
    workshop = await openTestWorkshop()
    const { api } = workshop
    const { soap, collection } = await furnish(workshop)
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
    const { id } = await api(endpoints.ingredients.create, {
      body: { ...oil, densityGMl: null, makeup: null, inci: '', notes: '' },
    })
    const lot = { supplier: 'Mill', lotNumber: 'K-1', receivedDay: '2027-01-10', openedDay: null, bestBeforeDay: null }
    const amounts = {
      isRecalled: false,
      receivedAmount: 5000,
      adjustment: 0,
      priceCents: 900,
      carriageCents: 0,
      certificate: null,
    }
    await api(endpoints.lots.create, { body: { ...lot, ...amounts, ingredientId: id } })
    const poured = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    await pourUpTo(workshop, poured.id, null)
    await api(endpoints.batches.finish, { params: { id: poured.id } })
    const { recipes, moulds } = await api(endpoints.season)
    const parts = { collectionId: collection.id, recipeId: recipes[0]?.id ?? '', mouldId: moulds[0]?.id ?? '' }
    const other = await api(endpoints.designs.create, { body: { ...aDesign, ...parts, name: 'Slow Light' } })
    await api(endpoints.batches.create, { body: { designId: other.id, pourDay: '2027-03-20' } })
  })
  afterEach(() => workshop.close())

  /** What the pages read. */
  async function readAll(): Promise<SeasonView> {
    const { api } = workshop
    const season = await api(endpoints.season)
    expect(datedSeason(season).problem.days).to.be.below(2000)
    await api(endpoints.stores)
    for (const { id } of season.loaves) await api(endpoints.loaves.view, { params: { id } })
    for (const { id } of season.batches) await api(endpoints.batches.view, { params: { id } })
    expect((await fetch(`${workshop.url}/api/calendar.ics`)).status).to.equal(200)
    expect((await fetch(`${workshop.url}/api/archive`)).status).to.equal(200)
    return season
  }

  /** What a page asks first, damaged or not. */
  async function look(): Promise<void> {
    for (const path of ['/api/season', '/api/stores', '/api/loaves', '/api/calendar.ics', '/api/archive'])
      expect((await fetch(workshop.url + path)).status, path).to.equal(200)
  }

  for (const [what, statement, field] of damages) {
    it(`such as ${what}, takes no page with it, and is named with what stood in it`, async () => {
      await spoil(workshop, statement)
      await look()
      // As it is looked for after every start; what made an answer fail was found by that.
      await workshop.database.mend()
      await readAll()
      const found = await workshop.api(endpoints.damage.list)
      expect(found.length, 'damaged rows told').to.be.above(0)
      expect(found[0]?.fields.map((one) => one.field)).to.include(field)
      expect(found[0]?.name).not.to.equal('')
    }).timeout(30_000)
  }

  it('is no longer told once it was mended by hand, or said to be seen', async () => {
    await spoil(workshop, 'UPDATE lots SET price_cents = 9007199254740993')
    await readAll()
    const { api } = workshop
    const [lot] = (await api(endpoints.stores)).lots
    expect(lot?.priceCents).to.equal(0)
    const [told] = await api(endpoints.damage.list)
    expect(told).to.deep.include({ table: 'lots', rowId: lot?.id, name: 'K-1' })
    expect(told?.fields).to.deep.equal([{ field: 'priceCents', was: '9007199254740993' }])
    const { usedAmount: _used, leftAmount: _left, id = '', isRemoved: _removed, ...rest } = lot!
    await api(endpoints.lots.update, { params: { id }, body: { ...rest, priceCents: 900 } })
    expect(await api(endpoints.damage.list)).to.deep.equal([])

    await spoil(workshop, "UPDATE workshop SET mass_unit = 'stone'")
    await workshop.database.mend()
    const [again] = await api(endpoints.damage.list)
    expect(await api(endpoints.damage.settle, { params: { id: String(again?.id) } })).to.deep.equal([])
  }).timeout(30_000)

  it('that nothing is damaged in, is left as it is', async () => {
    const before = await readAll()
    const mended = await workshop.database.mend()
    expect(mended).to.equal(0)
    expect(await readAll()).to.deep.equal(before)
  })
})
