import type { LoafView, SeasonView } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import { randomFrom } from '@vendange/core/random'
import { setTimeout as wait } from 'node:timers/promises'
import type { WorkshopProcess } from './server'

/** What came of killing a server again and again while it wrote. */
export interface KillRounds {
  readonly rounds: number
  /** Writes that were answered as kept. */
  readonly acknowledged: number
  /** Of them those that a later start no longer had. */
  readonly lost: readonly string[]
}

/**
 * Writes notes, places, weighings and allotments without pause, kills the server in the middle, starts it again, and
 * looks for everything that was acknowledged.
 */
export async function killRounds(workshop: WorkshopProcess, today: string, rounds: number): Promise<KillRounds> {
  const random = randomFrom(2027)
  const first = (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
  const maker = first.makers[0]?.id
  const curing = first.loaves.filter(({ state }) => state.status === 'curing').map(({ id }) => id)
  const released = [
    ...new Set(first.loaves.filter(({ state }) => state.status === 'released').map(({ designId }) => designId)),
  ]
  const notes = new Map<string, string>()
  const allotments = new Set<string>()
  let acknowledged = 0
  const client = () => createClient({ baseUrl: workshop.url, makerId: () => maker })

  async function writeOn(loafId: string, round: number, isOn: () => boolean): Promise<void> {
    const api = client()
    try {
      let { loaf } = await api(endpoints.loaves.view, { params: { id: loafId } })
      for (let at = 0; isOn(); at++) {
        const text = `round ${round}, note ${at} of ${loafId}`
        const events = [
          { type: 'noted', day: today, text },
          { type: 'moved', day: today, place: `North rack, shelf ${at % 5}` },
        ] as const
        const event = events[at % 2]!
        const body = { ...event, version: loaf.version }
        const view: LoafView = await api(endpoints.loaves.record, { params: { id: loafId }, body })
        loaf = view.loaf
        acknowledged += 1
        if (event.type === 'noted') notes.set(text, loafId)
      }
    } catch {
      // The server is gone: what was not answered may be there or not.
    }
  }
  async function giveOut(designId: string, isOn: () => boolean): Promise<void> {
    try {
      while (isOn()) {
        const body = { designId, bars: 1, channel: 'Kept', who: 'sample', orderId: null } as const
        const { allotmentId } = await client()(endpoints.release.allot, { body })
        allotments.add(allotmentId)
        acknowledged += 1
      }
    } catch {
      // Gone, or given out to the last bar.
    }
  }

  for (let round = 0; round < rounds; round++) {
    let on = true
    const isOn = (): boolean => on
    const writers = [
      ...curing.slice(0, 3).map((id) => writeOn(id, round, isOn)),
      ...released.slice(0, 2).map((id) => giveOut(id, isOn)),
    ]
    // Not before something was acknowledged: a server that has just started is slow.
    const before = acknowledged
    for (let tries = 0; acknowledged === before && tries < 200; tries++) await wait(20)
    await wait(random() * 150)
    await workshop.kill()
    on = false
    await Promise.all(writers)
    await workshop.start(today)
  }
  const lost: string[] = []
  const found = new Set<string>()
  const season = (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
  for (const { id } of season.loaves) {
    const { events } = await client()(endpoints.loaves.view, { params: { id } })
    for (const { event } of events)
      if (event.type === 'noted') found.add(event.text)
      else if (event.type === 'allotted') found.add(event.allotmentId)
  }
  for (const key of [...notes.keys(), ...allotments]) if (!found.has(key)) lost.push(key)
  return { rounds, acknowledged, lost }
}

/** Whether a workshop's archive brought back into an empty one gives the same archive. */
export async function archiveComesBack(workshop: WorkshopProcess, empty: WorkshopProcess): Promise<boolean> {
  const archiveOf = async ({ url }: WorkshopProcess): Promise<Blob> => (await fetch(`${url}/api/archive`)).blob()
  const out = await archiveOf(workshop)
  await createClient({ baseUrl: empty.url })(endpoints.archive.take, {
    rawBody: new Blob([out], { type: 'application/zip' }),
  })
  const back = await archiveOf(empty)
  return Buffer.from(await out.arrayBuffer()).equals(Buffer.from(await back.arrayBuffer()))
}
