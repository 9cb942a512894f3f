import { endpoints } from '@vendange/contract'
import { expect } from 'chai'
import type { TestWorkshop } from './workshopAtTest'
import { aMould, aRecipe, firstDay, furnish, openTestWorkshop, problemOf } from './workshopAtTest'

describe('what is kept', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  it('is changed under the version it was read with, and a stale change gets both', async () => {
    const { api } = workshop
    const recipe = await api(endpoints.recipes.create, { body: aRecipe })
    const params = { id: recipe.id }
    const first = await api(endpoints.recipes.update, { params, body: { ...aRecipe, name: 'First', version: 1 } })
    expect(first).to.deep.include({ name: 'First', version: 2 })
    const problem = await problemOf(
      api(endpoints.recipes.update, { params, body: { ...aRecipe, name: 'Second', version: 1 } }),
    )
    expect(problem.status).to.equal(409)
    expect(problem.current).to.deep.include({ name: 'First', version: 2 })
    const settled = await api(endpoints.recipes.update, { params, body: { ...aRecipe, name: 'Second', version: 2 } })
    expect(settled).to.deep.include({ name: 'Second', version: 3 })
  })

  it('lets one of many writers at once win, the others told', async () => {
    const { api } = workshop
    const mould = await api(endpoints.moulds.create, { body: aMould })
    const tries = Array.from({ length: 20 }, (_, index) =>
      api(endpoints.moulds.update, {
        params: { id: mould.id },
        body: { ...aMould, name: `Writer ${index}`, version: 1 },
      }).then(
        () => 200,
        (error: { problem: { status: number } }) => error.problem.status,
      ),
    )
    const statuses = await Promise.all(tries)
    expect(statuses.filter((status) => status === 200)).to.have.length(1)
    expect(statuses.filter((status) => status === 409)).to.have.length(19)
  })

  it('is taken away and brought back', async () => {
    const { api } = workshop
    const mould = await api(endpoints.moulds.create, { body: aMould })
    const away = await api(endpoints.moulds.remove, { params: { id: mould.id }, body: { version: 1 } })
    expect(away).to.deep.include({ isRemoved: true, version: 2 })
    const back = await api(endpoints.moulds.restore, { params: { id: mould.id }, body: { version: 2 } })
    expect(back).to.deep.include({ isRemoved: false, version: 3 })
  })

  it('is not taken away while something needs it', async () => {
    const { api } = workshop
    const { recipe, mould, collection, soap } = await furnish(workshop)
    const refusal = async (work: Promise<unknown>) => (await problemOf(work)).detail
    expect(
      await refusal(api(endpoints.recipes.remove, { params: { id: recipe.id }, body: { version: 1 } })),
    ).to.contain('Lantern Glass is made by this recipe')
    expect(await refusal(api(endpoints.moulds.remove, { params: { id: mould.id }, body: { version: 1 } }))).to.contain(
      'Lantern Glass is poured into this mould',
    )
    await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } })
    expect(await refusal(api(endpoints.designs.remove, { params: { id: soap.id }, body: { version: 1 } }))).to.contain(
      'on the calendar',
    )
    expect(
      await refusal(api(endpoints.collections.remove, { params: { id: collection.id }, body: { version: 1 } })),
    ).to.contain('Take its pour off first')
  })

  it('is 404 under an id that there is not', async () => {
    const { api } = workshop
    const params = { id: 'nothing' }
    const works = [
      api(endpoints.recipes.update, { params, body: { ...aRecipe, version: 1 } }),
      api(endpoints.moulds.remove, { params, body: { version: 1 } }),
      api(endpoints.collections.restore, { params, body: { version: 1 } }),
      api(endpoints.batches.view, { params }),
      api(endpoints.batches.move, { params, body: { cutDay: null, pourDay: firstDay, version: 1 } }),
      api(endpoints.loaves.view, { params }),
      api(endpoints.batches.create, { body: { designId: 'nothing', pourDay: firstDay } }),
    ]
    for (const work of works) expect((await problemOf(work)).status).to.equal(404)
  })

  it('refuses to point at what is not there', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    const { id, version, isRemoved: _, ...details } = soap
    const problem = await problemOf(
      api(endpoints.designs.update, { params: { id }, body: { ...details, recipeId: 'gone', version } }),
    )
    expect(problem.status).to.equal(422)
    expect(problem.detail).to.contain('does not exist here any more')
  })

  it('moves pours, takes them off and puts them back', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: '2027-03-10' } })
    expect(batch.days).to.deep.equal({
      prepDay: '2027-03-09',
      pourDay: '2027-03-10',
      cutDay: '2027-03-11',
      readyDay: '2027-04-08',
    })
    const moved = await api(endpoints.batches.move, {
      params: { id: batch.id },
      body: { cutDay: null, pourDay: '2027-03-12', version: 1 },
    })
    expect(moved.days.readyDay).to.equal('2027-04-10')
    expect(
      (
        await problemOf(
          api(endpoints.batches.move, {
            params: { id: batch.id },
            body: { cutDay: null, pourDay: '2027-03-15', version: 1 },
          }),
        )
      ).status,
    ).to.equal(409)
    expect(
      (
        await problemOf(
          api(endpoints.batches.move, {
            params: { id: batch.id },
            body: { cutDay: null, pourDay: '2027-03-07', version: 2 },
          }),
        )
      ).detail,
    ).to.contain('is past. Choose today or a later day.')
    const off = await api(endpoints.batches.remove, { params: { id: batch.id }, body: { version: 2 } })
    expect((await api(endpoints.season)).batches).to.deep.equal([])
    await api(endpoints.batches.restore, { params: { id: batch.id }, body: { version: off.version } })
    expect((await api(endpoints.season)).batches).to.have.length(1)
  })

  it('puts no soap on the calendar that has no recipe or mould', async () => {
    const { soap } = await furnish(workshop, { recipeId: null })
    const problem = await problemOf(
      workshop.api(endpoints.batches.create, { body: { designId: soap.id, pourDay: firstDay } }),
    )
    expect(problem.detail).to.equal('Choose a recipe and a mould for Lantern Glass first.')
  })

  it('keeps one workshop, changed like everything else', async () => {
    const { api } = workshop
    const { version, ...details } = (await api(endpoints.season)).workshop
    const saved = await api(endpoints.updateWorkshop, { body: { ...details, name: 'Quillon Lane', version } })
    expect(saved).to.deep.include({ name: 'Quillon Lane', version: version + 1 })
    expect((await problemOf(api(endpoints.updateWorkshop, { body: { ...details, version } }))).status).to.equal(409)
  })
})
