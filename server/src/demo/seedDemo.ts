import { blankCollection, blankDesign } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import { servicesOf } from '../app'
import type { Database } from '../db/database'
import { ensureWorkshop } from '../db/workshopRow'
import { frozenClock } from '../parts/clock'
import type { Context } from '../parts/context'
import { readingsOf } from '../readings'
import { bevelForOrder, cureLoaf } from './loafLife'
import { pourAtBench } from './pourAtBench'
import { demoCollections } from './scenario/collections'
import { demoOrders } from './scenario/orders'
import { demoPourPlans } from './scenario/pourPlans'
import { demoEarlier, demoOwnFat, demoRecipes, demoRecipesChanged } from './scenario/recipes'
import type { DemoSoap } from './scenario/soap'
import { demoStores } from './scenario/stores'
import { demoBegins, demoMakers, demoMoulds, demoToday, demoWorkshop, demoZone } from './scenario/workshop'
import type { Seeding } from './seeding'

type IdsByName = ReadonlyMap<string, string>

async function addMoulds({ services }: Seeding): Promise<IdsByName> {
  const ids = new Map<string, string>()
  for (const [key, mould] of Object.entries(demoMoulds)) ids.set(key, (await services.moulds.create(mould)).id)
  return ids
}

/** Recipes, some of them changed once, so that there is an older version to look at. */
async function addRecipes({ services, setDay }: Seeding): Promise<IdsByName> {
  const ids = new Map<string, string>()
  for (const [key, recipe] of Object.entries(demoRecipes)) {
    const { id, version } = await services.recipes.create({ ...recipe, ...demoEarlier[key] })
    ids.set(key, id)
    if (!demoEarlier[key]) continue
    setDay(demoRecipesChanged)
    await services.recipes.update(id, { ...recipe, version })
    setDay(demoBegins)
  }
  return ids
}

async function addStores({ services }: Seeding): Promise<void> {
  const plainLot = { openedDay: null, isRecalled: false, certificate: null, adjustment: 0 }
  for (const { details, supplier, lots } of demoStores) {
    const { id: ingredientId } = await services.stores.ingredients.create(details)
    for (const lot of lots) await services.stores.lots.create({ ...plainLot, supplier, ingredientId, ...lot })
  }
}

/** Takes a soap as far as its story goes by the demo's day. */
async function makeSoap(seeding: Seeding, soap: DemoSoap, designId: string, seed: number): Promise<void> {
  const { pourDay, story } = soap
  if (pourDay === null) return
  seeding.setDay(story === 'planned' ? demoToday : pourDay)
  const batch = await seeding.services.planning.create({ designId, pourDay })
  if (story === 'planned') return
  const loafIds = await pourAtBench(seeding, batch.id, seed)
  if (story === 'in_mould') return
  for (const [index, loafId] of loafIds.entries()) await cureLoaf(seeding, loafId, soap, seed + index)
}

async function addCollections(seeding: Seeding, recipeIds: IdsByName, mouldIds: IdsByName): Promise<IdsByName> {
  const { collections, designs } = seeding.services.plan
  const ids = new Map<string, string>()
  let seed = 0
  for (const { soaps, ...collection } of demoCollections) {
    const { id: collectionId } = await collections.create({ ...blankCollection, ...collection })
    ids.set(collection.name, collectionId)
    for (const soap of soaps) {
      seed += 1
      const { recipe, mould, pourDay: _day, story: _story, cut: _cut, release: _release, ...rest } = soap
      const { note: _note, stampMin: _stampMin, ...details } = rest
      const design = await designs.create({
        ...blankDesign,
        pourPlan: demoPourPlans[soap.name] ?? [],
        ...details,
        collectionId,
        recipeId: recipeIds.get(recipe) ?? null,
        mouldId: mouldIds.get(mould) ?? null,
      })
      await makeSoap(seeding, soap, design.id, seed)
    }
  }
  return ids
}

/** Fills a new database with the demo's scenario, through the same services that the interface uses. */
export async function seedDemo(database: Database): Promise<void> {
  let clock = frozenClock(demoBegins)
  let ids = 0
  const context: Context = {
    database,
    clock: { now: () => clock.now(), today: (zone) => clock.today(zone) },
    newId: () => `demo-${String((ids += 1)).padStart(4, '0')}`,
  }
  const services = servicesOf(context)
  await ensureWorkshop(database, demoZone)
  await services.workshop.update({ ...demoWorkshop, version: 1 })
  const makerIds: string[] = []
  for (const maker of demoMakers) makerIds.push((await services.workshop.makers.create(maker)).id)
  const setDay = (day: Day, minutes = 0): void => {
    const noon = frozenClock(day)
    clock = { ...noon, now: () => new Date(noon.now().getTime() + minutes * 60_000) }
  }
  const seeding: Seeding = { services, readings: readingsOf(context), makerIds, setDay }

  const mouldIds = await addMoulds(seeding)
  const recipeIds = await addRecipes(seeding)
  await addStores(seeding)
  const collectionIds = await addCollections(seeding, recipeIds, mouldIds)
  for (const { recipe, became, ...order } of demoOrders)
    await services.orders.create({
      ...order,
      recipeId: recipeIds.get(recipe) ?? null,
      collectionId: became === undefined ? null : (collectionIds.get(became) ?? null),
    })
  await bevelForOrder(seeding)
  setDay(demoToday)
  await services.ownFats.create(demoOwnFat)
}
