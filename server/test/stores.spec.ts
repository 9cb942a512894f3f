import type { NewIngredient, NewLot, StoresView } from '@vendange/contract'
import { blankIngredient, endpoints } from '@vendange/contract'
import { costOf, storesForecast } from '@vendange/core/stores'
import { expect } from 'chai'
import { pourUpTo } from './pouring'
import type { TestWorkshop } from './workshopAtTest'
import { firstDay, furnish, openTestWorkshop, problemOf } from './workshopAtTest'

const oliveOil: NewIngredient = {
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
}
const aLot: Omit<NewLot, 'ingredientId'> = {
  supplier: 'Mill',
  lotNumber: 'K-1',
  receivedDay: '2027-01-10',
  openedDay: null,
  bestBeforeDay: null,
  isRecalled: false,
  receivedAmount: 1000,
  adjustment: 0,
  priceCents: 900,
  carriageCents: 0,
  certificate: null,
}

describe('the stores over HTTP', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const keep = async (...lots: readonly Partial<NewLot>[]) => {
    const { api } = workshop
    const ingredient = await api(endpoints.ingredients.create, { body: oliveOil })
    const made = []
    for (const lot of lots)
      made.push(await api(endpoints.lots.create, { body: { ...aLot, ...lot, ingredientId: ingredient.id } }))
    return { ingredient, lots: made }
  }
  const plannedPour = async (pourDay = firstDay) => {
    const { soap } = await furnish(workshop)
    return workshop.api(endpoints.batches.create, { body: { designId: soap.id, pourDay } })
  }
  const oliveIn = ({ ingredients, lots, needs, today }: StoresView) => {
    const lotsOf = (id: string) => lots.filter(({ ingredientId }) => ingredientId === id)
    return storesForecast(ingredients, lotsOf, needs, today).find(({ key }) => key === 'fat:olive')
  }
  const olive = async () => oliveIn(await workshop.api(endpoints.stores))

  it('reserves what a planned pour takes, and says by when to order what is missing', async () => {
    await keep({ receivedAmount: 300 })
    await plannedPour('2027-03-18')
    // 381 g of 300 g: prepared on the 17th, five days on the way.
    const line = await olive()
    expect(line).to.include({ inStore: 300, reserved: 381 })
    expect(line?.shortage).to.include({ missing: 81, orderByDay: '2027-03-12', orderAmount: 1000, isLate: false })
  })

  it('shows what was weighed beyond the lots as stock below zero, and lets nobody make it less than was used', async () => {
    const { api } = workshop
    const { lots, ingredient } = await keep({ receivedAmount: 300 })
    const batch = await plannedPour()
    const view = await pourUpTo(workshop, batch.id, 'fat:coconut')
    expect(view.records.at(-1)?.lots).to.deep.equal([{ lotId: lots[0]?.id, amount: 381 }])
    const stores = await api(endpoints.stores)
    expect(stores.lots[0]).to.deep.include({ usedAmount: 381, leftAmount: -81 })
    const { version = 0 } = lots[0] ?? {}
    const change = (over: Partial<NewLot>) =>
      api(endpoints.lots.update, {
        params: { id: lots[0]?.id ?? '' },
        body: { ...aLot, receivedAmount: 300, ingredientId: ingredient.id, version, ...over },
      })
    const refusal = await problemOf(change({ receivedAmount: 200 }))
    expect(refusal.errors).to.deep.equal([
      {
        field: 'receivedAmount',
        message: '381 of it were used already: what came and what counting found cannot be less.',
      },
    ])
    // Its other figures may be changed, and counting may mend it.
    expect((await change({ adjustment: 90 })).adjustment).to.equal(90)
    expect((await api(endpoints.stores)).lots[0]?.leftAmount).to.equal(9)
  })

  it('archives what was in use, where it is found again and comes back from; what never was is only taken away', async () => {
    const { api } = workshop
    const { lots, ingredient } = await keep(
      { receivedAmount: 400, lotNumber: 'A-1', receivedDay: '2027-02-01' },
      { lotNumber: 'B-2', receivedDay: '2027-02-02' },
    )
    const batch = await plannedPour()
    await pourUpTo(workshop, batch.id, 'fat:coconut')
    for (const lot of (await api(endpoints.stores)).lots)
      await api(endpoints.lots.remove, { params: { id: lot.id }, body: { version: lot.version } })
    const { archived, lots: kept } = await api(endpoints.stores)
    expect(kept).to.deep.equal([])
    expect(archived.lots.map(({ lotNumber, ingredientName }) => `${ingredientName} ${lotNumber}`)).to.deep.equal([
      'Olive oil A-1',
    ])
    expect(archived.ingredients).to.deep.equal([])
    const trace = await api(endpoints.release.traceLot, { params: { id: lots[0]?.id ?? '' } })
    expect(trace.lot.lotNumber).to.equal('A-1')

    const { id, version } = ingredient
    await api(endpoints.ingredients.remove, { params: { id }, body: { version } })
    const without = await api(endpoints.stores)
    expect(without.archived.ingredients.map(({ name }) => name)).to.deep.equal(['Olive oil'])
    expect(without.usedIngredientIds).to.deep.equal([id])
    // The lot that is brought back brings its ingredient with it: nothing of it stays out of sight.
    const [lot] = archived.lots
    await api(endpoints.lots.restore, { params: { id: lot?.id ?? '' }, body: { version: lot?.version ?? 0 } })
    const back = await api(endpoints.stores)
    expect(back.archived).to.deep.equal({ ingredients: [], lots: [] })
    expect(back.lots.map(({ leftAmount }) => leftAmount)).to.deep.equal([19])
    expect(back.ingredients.map(({ name, version: now }) => `${name} ${now}`)).to.deep.equal([
      `Olive oil ${version + 2}`,
    ])
  })

  it('takes what is weighed from the oldest lot, and keeps the lots on the batch’s record', async () => {
    const { lots } = await keep(
      { lotNumber: 'new', receivedDay: '2027-02-01' },
      { lotNumber: 'old', receivedAmount: 200 },
    )
    const batch = await plannedPour()
    const view = await pourUpTo(workshop, batch.id, 'fat:coconut')
    expect(view.records.at(-1)).to.deep.include({
      stepKey: 'fat:olive',
      lots: [
        { lotId: lots[1]?.id, amount: 200 },
        { lotId: lots[0]?.id, amount: 181 },
      ],
    })
    expect(await olive()).to.include({ inStore: 819, reserved: 0 })

    await pourUpTo(workshop, batch.id, null)
    const { loafIds } = await workshop.api(endpoints.batches.finish, { params: { id: batch.id } })
    const { lotsUsed } = await workshop.api(endpoints.loaves.view, { params: { id: loafIds[0] ?? '' } })
    expect(lotsUsed).to.deep.equal([
      {
        stepKey: 'fat:olive',
        name: 'Olive oil',
        supplier: 'Mill',
        lotNumber: 'old',
        amount: 200,
        cents: 900,
        isRecalled: false,
        lotId: lots[1]?.id,
      },
      {
        stepKey: 'fat:olive',
        name: 'Olive oil',
        supplier: 'Mill',
        lotNumber: 'new',
        amount: 181,
        cents: 162.9,
        isRecalled: false,
        lotId: lots[0]?.id,
      },
    ])
  })

  it('reckons anew when a step is weighed again', async () => {
    await keep({})
    const batch = await plannedPour()
    await pourUpTo(workshop, batch.id, 'fat:coconut', { 'fat:olive': 390 })
    expect((await olive())?.inStore).to.equal(610)
    await workshop.api(endpoints.batches.record, {
      params: { id: batch.id },
      body: { stepKey: 'fat:olive', actual: 381 },
    })
    expect((await olive())?.inStore).to.equal(619)
  })

  it('takes from a lot again that the same step had used up', async () => {
    const { lots } = await keep({ receivedAmount: 390 }, { receivedDay: '2027-02-01' })
    const batch = await plannedPour()
    await pourUpTo(workshop, batch.id, 'fat:coconut', { 'fat:olive': 390 })
    const { records } = await workshop.api(endpoints.batches.record, {
      params: { id: batch.id },
      body: { stepKey: 'fat:olive', actual: 385 },
    })
    expect(records.at(-1)?.lots).to.deep.equal([{ lotId: lots[0]?.id, amount: 385 }])
    expect(await olive()).to.include({ inStore: 1005 })
  })

  it('takes the lot the maker chose, and refuses one that is recalled, expired or of something else', async () => {
    const { lots } = await keep(
      { lotNumber: 'old' },
      { lotNumber: 'new', receivedDay: '2027-02-01' },
      { lotNumber: 'back', isRecalled: true },
      { lotNumber: 'stale', bestBeforeDay: '2027-03-01' },
    )
    const batch = await plannedPour()
    const { stock } = await pourUpTo(workshop, batch.id, 'fat:olive')
    expect(
      stock.find(({ stepKey }) => stepKey === 'fat:olive')?.refused.map(({ code, params }) => [code, params?.['lot']]),
    ).to.have.deep.members([
      ['lot_recalled', 'back'],
      ['lot_expired', 'stale'],
    ])
    const weigh = (lotId: string) =>
      workshop.api(endpoints.batches.record, {
        params: { id: batch.id },
        body: { stepKey: 'fat:olive', actual: 381, lotId },
      })
    expect((await problemOf(weigh(lots[2]?.id ?? ''))).detail).to.contain('was recalled')
    expect((await problemOf(weigh(lots[3]?.id ?? ''))).detail).to.contain('was best before')
    expect((await problemOf(weigh('nothing'))).detail).to.equal('That is no lot of Olive oil.')
    expect((await weigh(lots[1]?.id ?? '')).records.at(-1)?.lots).to.deep.equal([{ lotId: lots[1]?.id, amount: 381 }])
  })

  it('takes a file in as a whole, and the same file again changes nothing', async () => {
    await keep({ receivedAmount: 1000 })
    const row = (name: string, lotNumber: string, leftAmount: number | null) => ({
      kind: 'scent' as const,
      name,
      ref: '',
      leadDays: 7,
      lot: {
        supplier: 'Still',
        lotNumber,
        receivedDay: '2027-02-01',
        bestBeforeDay: null,
        receivedAmount: 500,
        leftAmount,
        priceCents: 4000,
      },
    })
    const counted = {
      kind: 'fat' as const,
      name: 'Olive oil',
      ref: 'olive',
      leadDays: 9,
      lot: { ...row('', 'K-1', 840).lot, supplier: 'Mill', receivedDay: '2027-01-10', receivedAmount: 1000 },
    }
    const rows = [row('Amber blend', 'A', null), row('amber  blend', 'B', 120), counted]
    const first = await workshop.api(endpoints.takeStoresIn, { body: { rows } })
    expect(first.ingredients.map(({ name, leadDays }) => `${name} ${leadDays}`)).to.have.members([
      'Olive oil 9',
      'Amber blend 7',
    ])
    expect(first.lots.map(({ lotNumber, leftAmount }) => `${lotNumber} ${leftAmount}`)).to.have.members([
      'K-1 840',
      'A 500',
      'B 120',
    ])
    expect(await workshop.api(endpoints.takeStoresIn, { body: { rows } })).to.deep.equal(first)
  })

  it('takes nothing of a file in which one line is wrong', async () => {
    const good = { kind: 'scent' as const, name: 'Amber blend', ref: '', leadDays: null, lot: null }
    const { errors } = await problemOf(
      workshop.api(endpoints.takeStoresIn, { body: { rows: [good, { ...good, leadDays: 4000 }] } }),
    )
    expect(errors?.[0]).to.include({ field: 'rows[1].leadDays' })
    expect((await workshop.api(endpoints.stores)).ingredients).to.deep.equal([])
  })

  it('asks which fat it is', async () => {
    const { errors } = await problemOf(
      workshop.api(endpoints.ingredients.create, { body: { ...oliveOil, ref: 'unheard' } }),
    )
    expect(errors).to.deep.equal([{ field: 'ref', message: 'Choose which fat it is.' }])
  })

  it('reckons the lye by the certificates of the lots at hand, and freezes what the bench began with', async () => {
    const certificate = { sapKoh: 188, tolerance: 1, day: '2027-01-10' }
    const { lots } = await keep({ certificate })
    const batch = await plannedPour()
    const planned = await workshop.api(endpoints.batches.view, { params: { id: batch.id } })
    const known = (view: typeof planned) =>
      view.plan.recipe.knownFats?.map(({ saponificationValue }) => saponificationValue)
    expect(known(planned)).to.deep.equal([{ min: 187, typical: 188, max: 189 }])
    expect((await workshop.api(endpoints.season)).knownFats.map(({ key }) => key)).to.deep.equal(['olive'])
    const begun = await pourUpTo(workshop, batch.id, 'fat:coconut')
    const { id, ...lot } = { ...lots[0]!, certificate: { ...certificate, sapKoh: 192 } }
    const { isRemoved: _removed, ...details } = lot
    await workshop.api(endpoints.lots.update, { params: { id }, body: details })
    expect(known(await workshop.api(endpoints.batches.view, { params: { id: batch.id } }))).to.deep.equal(known(begun))
  })

  it('refuses a certificate that cannot be of this fat', async () => {
    const problem = await problemOf(
      keep({ carriageCents: 0, certificate: { sapKoh: 257, tolerance: 1, day: '2027-01-10' } }),
    )
    expect(problem.errors?.[0]).to.include({ field: 'certificate.sapKoh' })
  })

  it('pours as before where no stores are kept', async () => {
    const batch = await plannedPour()
    const view = await pourUpTo(workshop, batch.id, 'fat:coconut')
    expect(view.stock).to.deep.equal([])
    expect(view.records.at(-1)?.lots).to.equal(null)
  })

  describe('what everything costs', () => {
    it('is told by the lots with their carriage, else as it was stated, and stated of what is not kept yet', async () => {
      const { api } = workshop
      await api(endpoints.ingredients.create, {
        body: { ...blankIngredient, kind: 'scent', name: 'Tide', listCents: 9000, isListEstimate: false },
      })
      const prices = await api(endpoints.statePrices, {
        body: {
          prices: [
            { kind: 'scent', name: 'tide', ref: '', listCents: 8000 },
            { kind: 'fat', name: 'Shea butter', ref: 'shea', listCents: 990 },
            { kind: 'fat', name: 'Shea butter', ref: 'shea', listCents: 1000 },
          ],
        },
      })
      expect(costOf(prices, 'scent:tide', 100)).to.deep.equal({ cents: 800, source: 'estimate' })
      expect(costOf(prices, 'fat:shea', 100)).to.deep.equal({ cents: 100, source: 'estimate' })
      const { ingredients } = await api(endpoints.stores)
      expect(ingredients.filter(({ name }) => name === 'Shea butter')).to.have.length(1)
      const shea = ingredients.find(({ name }) => name === 'Shea butter')!
      await api(endpoints.lots.create, {
        body: { ...aLot, ingredientId: shea.id, receivedAmount: 500, priceCents: 600, carriageCents: 50 },
      })
      expect(costOf(await api(endpoints.prices), 'fat:shea', 100)).to.deep.equal({ cents: 130, source: 'lots' })
    })

    it('is refused whole where one line cannot be', async () => {
      const { api } = workshop
      const stated = (listCents: number) => ({ kind: 'additive' as const, name: 'Oats', ref: '', listCents })
      const refused = await problemOf(api(endpoints.statePrices, { body: { prices: [stated(200), stated(0)] } }))
      expect(refused.status).to.equal(400)
      expect((await api(endpoints.stores)).ingredients).to.deep.equal([])
    })
  })
})
