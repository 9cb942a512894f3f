import { blankIngredient, endpoints } from '@vendange/contract'
import { everyLot } from '@vendange/core/stores'
import { expect } from 'chai'
import { eq } from 'drizzle-orm'
import { lots } from '../src/db/schema'
import type { TestWorkshop } from './workshopAtTest'
import { openTestWorkshop } from './workshopAtTest'

describe('stores that are kept between questions', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  it('are read anew where a weighing goes from one lot to another', async () => {
    const { api, database } = workshop
    const oil = await api(endpoints.ingredients.create, {
      body: { ...blankIngredient, kind: 'fat', name: 'Olive oil', ref: 'olive' },
    })
    const lot = {
      ...{ ingredientId: oil.id, supplier: 'Mill', openedDay: null, isRecalled: false, adjustment: 0 },
      ...{ receivedAmount: 1000, priceCents: 900, carriageCents: 0, certificate: null, bestBeforeDay: null },
    }
    const first = await api(endpoints.lots.create, { body: { ...lot, lotNumber: 'K-1', receivedDay: '2027-01-10' } })
    const second = await api(endpoints.lots.create, { body: { ...lot, lotNumber: 'K-2', receivedDay: '2027-01-12' } })
    const use = async (usedOfFirst: number, usedOfSecond: number): Promise<void> => {
      await database.write(async (transaction) => {
        await transaction.update(lots).set({ usedAmount: usedOfFirst }).where(eq(lots.id, first.id))
        await transaction.update(lots).set({ usedAmount: usedOfSecond }).where(eq(lots.id, second.id))
      })
    }
    const left = async () => [
      (await api(endpoints.stores)).lots.map((one) => [one.lotNumber, one.leftAmount]).sort(),
      (await api(endpoints.lotTable, { body: everyLot })).rows.map((one) => [one.lotNumber, one.leftAmount]).sort(),
    ]
    await use(100, 0)
    const before = [
      ['K-1', 900],
      ['K-2', 1000],
    ]
    expect(await left()).to.deep.equal([before, before])
    await use(0, 100)
    const after = [
      ['K-1', 1000],
      ['K-2', 900],
    ]
    expect(await left()).to.deep.equal([after, after])
  })
})
