import type { NewDesign } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { pourUpTo } from './pouring'
import type { TestWorkshop } from './workshopAtTest'
import { completeLabels, firstDay, furnish } from './workshopAtTest'

/** The day on which they are released. */
export const releaseDay = '2027-04-12'

/** Loaves of one soap, cured and released with so many bars each. */
export async function releasedSoapIn(
  workshop: TestWorkshop,
  loaves: number,
  barsEach = 10,
  design: Partial<NewDesign> = {},
  /** Events beside those of the cut. */
  atTheCut: readonly Record<string, unknown>[] = [],
) {
  const { api } = workshop
  const furnished = await furnish(workshop, { mouldCount: loaves, ...design })
  await completeLabels(workshop)
  const batch = await api(endpoints.batches.create, { body: { designId: furnished.soap.id, pourDay: firstDay } })
  await pourUpTo(workshop, batch.id, null)
  const { loafIds } = await api(endpoints.batches.finish, { params: { id: batch.id } })
  for (const id of loafIds) {
    let version = 1
    const record = async (event: Record<string, unknown>): Promise<void> => {
      await api(endpoints.loaves.record, { params: { id }, body: { ...event, version } as never })
      version += 1
    }
    workshop.setDay('2027-03-10')
    await record({ type: 'unmoulded', day: '2027-03-10' })
    await record({ type: 'cut', day: '2027-03-10', bars: 10, ends: 2, firstBarG: 119, bevelled: false })
    for (const event of atTheCut) await record({ day: '2027-03-10', ...event })
    workshop.setDay(releaseDay)
    await record({ type: 'weighed', day: '2027-04-05', barG: 106.2 })
    await record({ type: 'weighed', day: releaseDay, barG: 106 })
    await record({
      type: 'released',
      day: releaseDay,
      bars: barsEach,
      ph: 9.5,
      lookIsSound: true,
      labelIsComplete: true,
    })
  }
  return { ...furnished, loafIds, batchId: batch.id }
}
