import type { SeasonView } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import { pourOffScreen } from './pourOffScreen'
import type { WorkshopProcess } from './server'

/** Pours, cuts, cures and releases some soaps as they are planned, each thing on its day and off the screen. */
export async function makeOffScreen(workshop: WorkshopProcess, designIds: readonly string[]): Promise<void> {
  const season = async (): Promise<SeasonView> =>
    (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
  const { batches, makers } = await season()
  const own = batches.filter(({ designId, status }) => designIds.includes(designId) && status === 'planned')
  for (const {
    id,
    days: { pourDay, cutDay },
  } of own.sort((a, b) => a.days.pourDay.localeCompare(b.days.pourDay))) {
    await workshop.goOnOn(pourDay)
    await pourOffScreen(workshop.url, id)
    await workshop.goOnOn(cutDay)
    const api = createClient({ baseUrl: workshop.url, makerId: () => makers[0]?.id })
    for (const loaf of (await season()).loaves.filter(({ batchId }) => batchId === id)) {
      const record = async (event: object): Promise<void> => {
        const { version } = (await api(endpoints.loaves.view, { params: { id: loaf.id } })).loaf
        await api(endpoints.loaves.record, { params: { id: loaf.id }, body: { ...event, version } as never })
      }
      // What the label says, and what the cure takes besides.
      const barG = Math.ceil(loaf.labelMassG) + 5
      await record({ type: 'unmoulded', day: cutDay })
      await record({ type: 'cut', day: cutDay, bars: loaf.barsPlanned, ends: 2, firstBarG: barG + 14, bevelled: false })
      const cured = addDays(cutDay, loaf.cureDays)
      await workshop.goOnOn(cured)
      await record({ type: 'weighed', day: addDays(cured, -7), barG: barG + 0.2 })
      await record({ type: 'weighed', day: cured, barG })
      await record({
        type: 'released',
        day: cured,
        bars: loaf.barsPlanned,
        ph: 9.5,
        lookIsSound: true,
        labelIsComplete: true,
      })
    }
  }
}
