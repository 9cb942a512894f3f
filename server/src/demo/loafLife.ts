import type { NewLoafEvent, SavedMould } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import { addDays, daysBetween } from '@vendange/core/calendar'
import { dryingPrior, massAfter } from '@vendange/core/cure'
import { barSidesOf } from '@vendange/core/cutting'
import { roundTo } from '@vendange/core/units'
import { demoBevelled } from './scenario/orders'
import type { DemoSoap } from './scenario/soap'
import { demoToday, demoWorkshop } from './scenario/workshop'
import type { Seeding } from './seeding'
import { wobble } from './seeding'

/** A made-up bar that dries as bars do; how fast and how far is a little its own. */
function driedMassG(wetG: number, mould: SavedMould, day: number, seed: number): number {
  const truth = {
    diffusion: dryingPrior.diffusion * (1 + wobble(seed + 5) * 0.2),
    lossShare: demoWorkshop.cureLoss + 0.006 + wobble(seed + 6) * 0.006,
  }
  return massAfter(wetG, barSidesOf(mould), truth, day)
}

/** Cuts a poured loaf, weighs it week by week and, where its story goes so far, releases and sells it. */
export async function cureLoaf(seeding: Seeding, loafId: string, soap: DemoSoap, seed: number): Promise<void> {
  const { services, makerIds, setDay } = seeding
  const maker = makerIds[(seed + 1) % makerIds.length] ?? ''
  const { loaf, plan } = await services.loaves.view(loafId)
  const cutDay = (await services.bench.view(loaf.batchId)).batch.days.cutDay
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
export async function bevelForOrder({ services, readings, makerIds, setDay }: Seeding): Promise<void> {
  const { soap, day, loaves, minutes } = demoBevelled
  setDay(day)
  const own = (await readings.newestLoaves()).filter(({ name }) => name === soap).reverse()
  for (const { id, version, state } of own.slice(0, loaves)) {
    const bars = state.cut?.bars ?? 0
    const event = { type: 'finished', day, finish: 'bevelled', bars, minutes, removedG: null, version } as const
    await services.loaves.record(id, event, makerIds[0] ?? '')
  }
}
