import type { NewLoafEvent, SavedMould } from '@vendange/contract'
import { blankCollection, blankDesign } from '@vendange/contract'
import { pourSession, clockKeys, leftStepKey } from '@vendange/core/batch'
import type { Day } from '@vendange/core/calendar'
import { addDays, daysBetween } from '@vendange/core/calendar'
import { dryingPrior, massAfter } from '@vendange/core/cure'
import { barSidesOf } from '@vendange/core/cutting'
import { batterConditions, minutesUntil, modelThickening, scaledThickening, traceBegins } from '@vendange/core/pour'
import { servicesOf } from '../app'
import type { Database } from '../db/database'
import { ensureWorkshop } from '../db/workshopRow'
import { frozenClock } from '../parts/clock'
import { demoPourPlans } from './pourPlans'
import { demoStores } from './stores'
import type { DemoSoap } from './scenario'
import {
  demoBegins,
  demoBevelled,
  demoCollections,
  demoEarlier,
  demoMakers,
  demoMoulds,
  demoOrders,
  demoOwnFat,
  demoRecipes,
  demoRecipesChanged,
  demoToday,
  demoWorkshop,
  demoZone,
} from './scenario'
import { roundTo } from '@vendange/core/units'

type Services = ReturnType<typeof servicesOf>

interface Seeding {
  readonly services: Services
  readonly makerIds: readonly string[]
  /** Stands on a day from now on, at noon or so many minutes after it. */
  setDay(day: Day, minutes?: number): void
}

/** A made-up wobble of the hand from −1 to 1, the same for the same number. */
const wobble = (seed: number): number => Math.sin(seed * 12.9898) * 0.8 + Math.sin(seed * 4.1) * 0.2

/** A made-up bar that dries as bars do; how fast and how far is a little its own. */
function driedMassG(wetG: number, mould: SavedMould, day: number, seed: number): number {
  const truth = {
    diffusion: dryingPrior.diffusion * (1 + wobble(seed + 5) * 0.2),
    lossShare: demoWorkshop.cureLoss + 0.006 + wobble(seed + 6) * 0.006,
  }
  return massAfter(wetG, barSidesOf(mould), truth, day)
}

/** By how much each made-up scent changes the working time of its batter. */
const scentTimes: Readonly<Record<string, number>> = {
  'Citrus peel blend': 1.35,
  'Linen steam blend': 1.05,
  'Cold iron blend': 0.95,
  'Wet stone blend': 0.9,
  'Polished wood blend': 0.3,
  'Amber blend': 0.55,
}
const dayMin = 24 * 60

/** Taps on the clock of a made-up pour, and, where the batter raced, the fallback. */
async function timePour({ services }: Seeding, batchId: string, seed: number, maker: string): Promise<void> {
  const { plan, batch } = await services.batches.view(batchId)
  const times = plan.scent ? (scentTimes[plan.scent.name] ?? 1) : 1
  const model = modelThickening(batterConditions({ ...plan, scent: null }))
  const thickening = scaledThickening(model, times * Math.exp(wobble(seed + 3) * 0.15))
  const tap = (stepKey: string, actual: number) =>
    services.batches.record(batchId, { stepKey, actual: roundTo(actual, 2) }, maker)
  await tap(clockKeys.emulsion, daysBetween('1970-01-01', batch.days.pourDay) * dayMin + 10 * 60)
  await tap(clockKeys.medium, minutesUntil(traceBegins.medium, thickening))
  if (times < 0.4) await tap(clockKeys.fallback, minutesUntil(traceBegins.medium, thickening) + 1)
  await tap(clockKeys.tooThick, minutesUntil(1, thickening))
}

async function pourAtBench(
  { services, makerIds, setDay }: Seeding,
  batchId: string,
  seed: number,
): Promise<readonly string[]> {
  const maker = makerIds[seed % makerIds.length] ?? ''
  for (;;) {
    const { batch, plan, records } = await services.batches.view(batchId)
    const state = pourSession(plan, records)
    const step = state.steps[state.nextIndex]
    if (!step) break
    // A made-up morning: about as long as planned.
    const plannedMin = (batch.demand.prepHours + batch.demand.pourHours) * 60 * (1.05 + wobble(seed) * 0.15)
    setDay(batch.days.pourDay, (plannedMin * state.nextIndex) / state.steps.length - plannedMin)
    if (step.key === leftStepKey) {
      // What is left in the pots differs a little from pour to pour.
      const actual = Math.round((step.target ?? 0) * (1 + wobble(seed) * 0.5))
      await services.batches.record(batchId, { stepKey: step.key, actual }, maker)
      continue
    }
    const off = step.kind === 'weigh' && step.key.startsWith('fat:') && seed % 3 === 0 && state.nextIndex === 2 ? 6 : 0
    const actual =
      step.kind === 'tick'
        ? null
        : step.kind === 'temperature'
          ? roundTo((step.target ?? 0) + wobble(seed + state.nextIndex), 1)
          : (step.target ?? 0) + off
    await services.batches.record(batchId, { stepKey: step.key, actual }, maker)
  }
  await timePour({ services, makerIds, setDay }, batchId, seed, maker)
  return (await services.batches.finish(batchId, maker)).loafIds
}

async function cureLoaf(seeding: Seeding, loafId: string, soap: DemoSoap, seed: number): Promise<void> {
  const { services, makerIds, setDay } = seeding
  const maker = makerIds[(seed + 1) % makerIds.length] ?? ''
  const { loaf, plan } = await services.loaves.view(loafId)
  const cutDay = (await services.batches.view(loaf.batchId)).batch.days.cutDay
  const mould = (await services.moulds.list()).find(({ id }) => id === loaf.mouldId)
  if (!mould) throw new Error(`Expected the mould of ${loaf.name}`)
  const bars = soap.cut?.bars ?? loaf.barsPlanned
  const wetG = Math.round(
    ((loaf.state.batterG ?? plan.loafBatterG) / (loaf.barsPlanned + 0.4)) * (1 + wobble(seed) * 0.01),
  )
  let version = loaf.version
  const record = async (day: Day, event: Record<string, unknown>): Promise<void> => {
    if (day > demoToday) return
    setDay(day)
    await services.loaves.record(loafId, { ...event, day, version } as NewLoafEvent, maker)
    version += 1
  }

  await record(cutDay, { type: 'unmoulded' })
  await record(cutDay, { type: 'cut', bars, ends: 2, firstBarG: wetG, bevelled: soap.cut?.bevelled ?? false })
  if (soap.stampMin !== undefined)
    await record(cutDay, { type: 'finished', finish: 'stamped', bars, minutes: soap.stampMin, removedG: null })
  await record(cutDay, {
    type: 'moved',
    place: `${seed % 2 === 0 ? 'North rack' : 'Door rack'}, shelf ${(seed % 4) + 1}`,
  })
  const lastDay = soap.release?.day ?? demoToday
  for (let day = addDays(cutDay, 7); day <= lastDay; day = addDays(day, 7)) {
    const massG =
      driedMassG(wetG, mould, daysBetween(cutDay, day), seed) + wobble(seed + daysBetween(cutDay, day)) * 0.2
    await record(day, { type: 'weighed', barG: roundTo(massG, 1) })
  }
  if (soap.note) await record(lastDay, { type: 'noted', text: soap.note })
  if (soap.release) {
    const massG = driedMassG(wetG, mould, daysBetween(cutDay, lastDay), seed)
    await record(lastDay, { type: 'weighed', barG: roundTo(massG, 1) })
    await record(lastDay, {
      type: 'released',
      bars: soap.release.bars,
      ph: 9.5,
      lookIsSound: true,
      labelIsComplete: true,
    })
    await sellSome(seeding, loaf.designId, soap, maker)
  }
}

/** Most of a released loaf is set aside for the web and for a stall, and most of that is sold. */
async function sellSome({ services }: Seeding, designId: string, soap: DemoSoap, maker: string): Promise<void> {
  if (!soap.release) return
  const { day, bars } = soap.release
  const [web, stalls] = [Math.floor(bars * 0.6), Math.floor(bars * 0.25)]
  await services.allotments.allot({ designId, bars: web, channel: 'Web', who: 'the drop', orderId: null }, maker)
  await services.allotments.allot(
    { designId, bars: stalls, channel: 'Stalls', who: 'Saturday stall', orderId: null },
    maker,
  )
  const sale = { day, designId, lotCode: '', priceCents: 850 }
  await services.allotments.takeSales(
    [
      { ...sale, saleId: `demo-${designId}-1`, channel: 'Web', bars: Math.ceil(web / 2), buyer: 'Web buyer 1' },
      { ...sale, saleId: `demo-${designId}-2`, channel: 'Web', bars: Math.floor(web / 3), buyer: 'Web buyer 2' },
      { ...sale, saleId: `demo-${designId}-3`, channel: 'Stalls', bars: stalls - 1, buyer: 'somebody at the stall' },
    ],
    maker,
  )
}

/** Some loaves of an order get edges that it was not quoted with. */
async function bevelForOrder({ services, makerIds, setDay }: Seeding): Promise<void> {
  const { soap, day, loaves, minutes } = demoBevelled
  setDay(day)
  const own = (await services.loaves.list()).filter(({ name }) => name === soap).reverse()
  for (const { id, version, state } of own.slice(0, loaves)) {
    const bars = state.cut?.bars ?? 0
    const event = { type: 'finished', day, finish: 'bevelled', bars, minutes, removedG: null, version } as const
    await services.loaves.record(id, event, makerIds[0] ?? '')
  }
}

/** Fills a new database with the demo's scenario, through the same services that the interface uses. */
export async function seedDemo(database: Database): Promise<void> {
  let clock = frozenClock(demoBegins)
  let ids = 0
  const services = servicesOf({
    database,
    clock: { now: () => clock.now(), today: (zone) => clock.today(zone) },
    newId: () => `demo-${String((ids += 1)).padStart(4, '0')}`,
  })
  await ensureWorkshop(database, demoZone)
  await services.workshop.update({ ...demoWorkshop, version: 1 })
  const makerIds: string[] = []
  for (const maker of demoMakers) makerIds.push((await services.workshop.makers.create(maker)).id)
  const setDay = (day: Day, minutes = 0): void => {
    const noon = frozenClock(day)
    clock = { ...noon, now: () => new Date(noon.now().getTime() + minutes * 60_000) }
  }
  const seeding: Seeding = { services, makerIds, setDay }

  const mouldIds = new Map<string, string>()
  for (const [key, mould] of Object.entries(demoMoulds)) mouldIds.set(key, (await services.moulds.create(mould)).id)
  const recipeIds = new Map<string, string>()
  for (const [key, recipe] of Object.entries(demoRecipes)) {
    const { id, version } = await services.recipes.create({ ...recipe, ...demoEarlier[key] })
    recipeIds.set(key, id)
    if (!demoEarlier[key]) continue
    seeding.setDay(demoRecipesChanged)
    await services.recipes.update(id, { ...recipe, version })
    seeding.setDay(demoBegins)
  }

  for (const { details, supplier, lots } of demoStores) {
    const { id: ingredientId } = await services.stores.ingredients.create(details)
    for (const lot of lots)
      await services.stores.lots.create({
        openedDay: null,
        isRecalled: false,
        certificate: null,
        adjustment: 0,
        supplier,
        ingredientId,
        ...lot,
      })
  }

  const collectionIds = new Map<string, string>()
  let seed = 0
  for (const { soaps, ...collection } of demoCollections) {
    const { id: collectionId } = await services.plan.collections.create({ ...blankCollection, ...collection })
    collectionIds.set(collection.name, collectionId)
    for (const soap of soaps) {
      seed += 1
      const { recipe, mould, pourDay, story, ...rest } = soap
      const { cut: _cut, release: _release, note: _note, stampMin: _stampMin, ...details } = rest
      const design = await services.plan.designs.create({
        ...blankDesign,
        pourPlan: demoPourPlans[soap.name] ?? [],
        ...details,
        collectionId,
        recipeId: recipeIds.get(recipe) ?? null,
        mouldId: mouldIds.get(mould) ?? null,
      })
      if (pourDay === null) continue
      seeding.setDay(story === 'planned' ? demoToday : pourDay)
      const batch = await services.batches.create({ designId: design.id, pourDay })
      if (story === 'planned') continue
      const loafIds = await pourAtBench(seeding, batch.id, seed)
      if (story === 'in_mould') continue
      for (const [index, loafId] of loafIds.entries()) await cureLoaf(seeding, loafId, soap, seed + index)
    }
  }
  for (const { recipe, became, ...order } of demoOrders)
    await services.orders.create({
      ...order,
      recipeId: recipeIds.get(recipe) ?? null,
      collectionId: (became && collectionIds.get(became)) ?? null,
    })
  await bevelForOrder(seeding)
  seeding.setDay(demoToday)
  await services.ownFats.create(demoOwnFat)
}
