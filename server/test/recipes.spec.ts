import { blankOwnFat, endpoints } from '@vendange/contract'
import type { NewOwnFat, SavedRecipe } from '@vendange/contract'
import { ownFatKey } from '@vendange/core/fats'
import { expect } from 'chai'
import type { TestWorkshop } from './workshopAtTest'
import { aRecipe, furnish, openTestWorkshop, problemOf } from './workshopAtTest'

const pumpkin: NewOwnFat = {
  ...blankOwnFat,
  name: 'Pumpkin-seed oil',
  saponificationValue: { min: 188, typical: 191, max: 195 },
  contains: ['nut'],
}

describe('fats of the workshop’s own', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const madeWith = (id: string) => ({
    ...aRecipe,
    fats: [...aRecipe.fats.slice(0, 2), { fatKey: ownFatKey(id), share: 0.25, atTrace: false }],
  })

  it('are reckoned in a recipe, to the batch that is weighed', async () => {
    const { id } = await workshop.api(endpoints.ownFats.create, { body: pumpkin })
    const recipe = await workshop.api(endpoints.recipes.create, { body: madeWith(id) })
    const { soap } = await furnish(workshop, { recipeId: recipe.id })
    const { today } = await workshop.api(endpoints.season)
    const batch = await workshop.api(endpoints.batches.create, { body: { designId: soap.id, pourDay: today } })
    const { plan } = await workshop.api(endpoints.batches.view, { params: { id: batch.id } })
    expect(plan.weights.fats.map(({ name }) => name)).to.include('Pumpkin-seed oil')
    const [olive, coconut, own] = plan.weights.fats.map(({ massG }) => massG)
    const kohG = ((olive ?? 0) * 190 + (coconut ?? 0) * 257 + (own ?? 0) * 191) / 1000
    expect(plan.weights.naohG).to.equal(Math.round(kohG * (39.997 / 56.1056) * 0.95))
  })

  it('stay while a recipe is made with them, and are unknown elsewhere', async () => {
    const fat = await workshop.api(endpoints.ownFats.create, { body: pumpkin })
    await workshop.api(endpoints.recipes.create, { body: madeWith(fat.id) })
    const problem = await problemOf(
      workshop.api(endpoints.ownFats.remove, { params: { id: fat.id }, body: { version: fat.version } }),
    )
    expect(problem.detail).to.equal('House bar is made with it. Take it out of the recipe first.')
    const unknown = await problemOf(workshop.api(endpoints.recipes.create, { body: madeWith('elsewhere') }))
    expect(unknown.errors).to.deep.include({
      field: 'fats[2].fatKey',
      message: 'Choose a fat from the table or one of your own.',
    })
  })

  it('are refused where no fat can be so', async () => {
    const naohValue = { min: 0.134, typical: 0.136, max: 0.139 }
    const problem = await problemOf(
      workshop.api(endpoints.ownFats.create, { body: { ...pumpkin, saponificationValue: naohValue } }),
    )
    expect(problem.errors?.map(({ field }) => field)).to.include('saponificationValue.typical')
  })

  it('are kept in the stores and narrowed by the certificates of their lots', async () => {
    const fat = await workshop.api(endpoints.ownFats.create, { body: pumpkin })
    const ingredient = await workshop.api(endpoints.ingredients.create, {
      body: {
        kind: 'fat',
        name: 'Pumpkin-seed oil',
        ref: ownFatKey(fat.id),
        leadDays: 3,
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
    const lot = {
      ingredientId: ingredient.id,
      supplier: 'The mill',
      lotNumber: 'P1',
      receivedDay: '2027-01-01',
      openedDay: null,
      bestBeforeDay: null,
      isRecalled: false,
      receivedAmount: 1000,
      adjustment: 0,
      priceCents: 0,
    }
    await workshop.api(endpoints.lots.create, {
      body: { ...lot, carriageCents: 0, certificate: { sapKoh: 192, tolerance: 1, day: '2027-01-01' } },
    })
    const { knownFats } = await workshop.api(endpoints.season)
    expect(knownFats.find(({ key }) => key === ownFatKey(fat.id))?.saponificationValue).to.deep.equal({
      min: 191,
      typical: 192,
      max: 193,
    })
    const problem = await problemOf(
      workshop.api(endpoints.ingredients.create, {
        body: {
          kind: 'fat',
          name: 'Nobody’s',
          ref: ownFatKey('nobody'),
          leadDays: 3,
          packSize: 0,
          perBar: 0,
          listCents: 0,
          isListEstimate: true,
          densityGMl: null,
          makeup: null,
          inci: '',
          notes: '',
        },
      }),
    )
    expect(problem.errors?.[0]?.field).to.equal('ref')
  })
})

describe('versions of a recipe', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const change = (recipe: SavedRecipe, changes: Partial<SavedRecipe>): Promise<SavedRecipe> => {
    const { id, isRemoved: _removed, ...details } = recipe
    return workshop.api(endpoints.recipes.update, { params: { id }, body: { ...details, ...changes } })
  }

  it('are kept once they have stood for a while; what is typed in one go is one version', async () => {
    const { recipe } = await furnish(workshop)
    workshop.setDay('2027-03-20')
    const first = await change(recipe, { superfat: 0.06 })
    const second = await change(first, { cureDays: 35 })
    workshop.setDay('2027-04-02')
    await change(second, { superfat: 0.07 })
    const versions = await workshop.api(endpoints.recipeVersions, { params: { id: recipe.id } })
    expect(versions.map(({ at, details }) => [at.slice(0, 10), details.superfat, details.cureDays])).to.deep.equal([
      ['2027-04-02', 0.07, 35],
      ['2027-03-20', 0.06, 35],
      ['2027-03-08', 0.05, 28],
    ])
  })
})
