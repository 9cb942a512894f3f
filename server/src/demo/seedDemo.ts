import { blankCollection, blankDesign } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import { freeBars } from '@vendange/core/loaf'
import { servicesOf } from '../app'
import type { Database } from '../db/database'
import { ensureWorkshop } from '../db/workshopRow'
import { frozenClock } from '../parts/clock'
import type { Context } from '../parts/context'
import { readingsOf } from '../readings'
import { bevelForOrder, cureLoaf } from './loafLife'
import { pourAtBench } from './pourAtBench'
import { demoCollections } from './scenario/collections'
import { demoCustomers } from './scenario/customers'
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
  const plainLot = { openedDay: null, isRecalled: false, carriageCents: 0, certificate: null, adjustment: 0 }
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
  for (const [turn, batchId] of (await planPours(seeding, soap, designId, pourDay)).entries()) {
    if (story === 'planned') continue
    const loafIds = await pourAtBench(seeding, batchId, seed + turn)
    if (story === 'in_mould') continue
    for (const [index, loafId] of loafIds.entries()) await cureLoaf(seeding, loafId, soap, seed + turn + index)
  }
}

/** Puts the pours of a soap on the calendar. @returns their ids in the order of their days */
async function planPours(
  { services }: Seeding,
  { morePourDays = [], mould, mouldCount, barsWanted }: DemoSoap,
  designId: string,
  pourDay: Day,
): Promise<readonly string[]> {
  const days = [pourDay, ...morePourDays]
  if (days.length === 1) return [(await services.planning.create({ designId, pourDay })).id]
  const { barThicknessMm } = demoMoulds[mould]
  const mouldId = (await services.moulds.list()).find(({ name }) => name === demoMoulds[mould].name)?.id ?? ''
  const part = { mouldId, mouldCount, barsWanted: Math.ceil(barsWanted / days.length), barThicknessMm }
  const pours = days.map((day) => ({ pourDay: day, cutDay: null, isPinned: false, part }))
  return (await services.planning.planSoap({ designId, replaced: [], pours })).map(({ id }) => id)
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
      const {
        recipe,
        mould,
        pourDay: _day,
        morePourDays = [],
        story: _story,
        cut: _cut,
        release: _release,
        ...rest
      } = soap
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
      seed += morePourDays.length
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
  await addCustomers(seeding)
}

/** Subscribers and shops; one of these has bars of what was released last and has sold some. */
async function addCustomers({ services, readings, makerIds: [maker = ''] }: Seeding): Promise<void> {
  for (const customer of demoCustomers) await services.customers.create(customer)
  const shop = demoCustomers.find(({ isSaleOrReturn }) => isSaleOrReturn)
  const loaf = (await readings.season()).loaves.findLast(({ state }) => freeBars(state) >= barsOfShop)
  if (!shop || !loaf) return
  const { designId } = loaf
  const gift = { designId, bars: barsOfShop, channel: 'Shops', who: shop.name, orderId: null } as const
  await services.allotments.giveOut([gift], maker)
  const { name: buyer, priceCents } = shop
  const sale = { saleId: 'shop 1', day: demoToday, designId, lotCode: '', channel: 'Shops', bars: 1 } as const
  await services.allotments.takeSales([{ ...sale, buyer, priceCents }], maker)
}
const barsOfShop = 3
