import type { Client, SeasonView } from '@vendange/contract'
import { blankCollection, blankMaker, createClient, endpoints, ProblemError } from '@vendange/contract'
import { setTimeout as wait } from 'node:timers/promises'
import { WorkshopProcess } from '../e2e/server'
import type { Dice } from './dice'
import { LibsqlServer } from './libsqlServer'

/** What came of one workshop in two places, kept by a libSQL server that is killed now and then. */
export interface PlacesTally {
  written: number
  /** Refused while the server was away: to be tried again. */
  away: number
  kills: number
  readonly broken: string[]
}
export const noPlaces = (): PlacesTally => ({ written: 0, away: 0, kills: 0, broken: [] })

const today = '2027-03-08'
const port = 8911
/** So long one place may take to show what the other wrote, ms: it asks every two seconds. */
const seenWithinMs = 10_000
const notReached = 503

const marksOf = ({ collections }: SeasonView): readonly string[] =>
  collections.flatMap(({ name }) => (name.startsWith('mark ') ? [name] : []))

async function bothShow(places: readonly Client[], marks: readonly string[]): Promise<string | undefined> {
  const wanted = JSON.stringify([...marks].sort())
  let shown: readonly string[] = []
  for (let waitedMs = 0; waitedMs < seenWithinMs; waitedMs += 200) {
    shown = await Promise.all(
      places.map(async (place) => JSON.stringify([...marksOf(await place(endpoints.season))].sort())),
    )
    if (shown.every((one) => one === wanted)) return undefined
    await wait(200)
  }
  return `expected ${wanted}, got ${shown.join(' and ')}`
}

/** Writes at two places in turn, the server killed amid it now and then: both show what was acknowledged, once. */
export async function writeInTwoPlaces(dice: Dice, count: number, tally: PlacesTally): Promise<void> {
  const server = new LibsqlServer(port)
  const places = [new WorkshopProcess(), new WorkshopProcess()]
  try {
    await server.start()
    for (const place of places) await place.start(today, { VENDANGE_DATABASE_URL: server.url })
    const [first] = places.map(({ url }) => createClient({ baseUrl: url }))
    const maker = await first!(endpoints.makers.create, { body: { ...blankMaker, name: 'Ilse' } })
    const clients = places.map(({ url }) => createClient({ baseUrl: url, makerId: () => maker.id }))
    const acknowledged = new Set<string>()
    const unsure = new Set<string>()
    for (let round = 0; round < count; round++) {
      const name = `mark ${round}`
      const isKilled = dice.chance(0.1)
      const write = dice.one(clients)(endpoints.collections.create, {
        body: { ...blankCollection, name, releaseLocal: '2027-06-01T19:00', releaseZone: 'UTC' },
      })
      if (isKilled) {
        await Promise.all([server.kill(), write.catch(() => undefined)])
        tally.kills += 1
      }
      try {
        await write
        acknowledged.add(name)
        tally.written += 1
      } catch (error) {
        const status = error instanceof ProblemError ? error.problem.status : -1
        if (status === notReached && isKilled) tally.away += 1
        else tally.broken.push(`round ${round}: ${status} ${error instanceof Error ? error.message : ''}`)
        unsure.add(name)
      }
      if (!isKilled) continue
      // What is read is read from the copy here, whether the server is there or not.
      for (const client of clients) await client(endpoints.season).catch(() => tally.broken.push('not read while away'))
      await server.start()
      const there = marksOf(await clients[0]!(endpoints.season))
      // An answer that was lost may have been written all the same: that is known once it is seen.
      await wait(2500)
      const now = marksOf(await clients[0]!(endpoints.season))
      for (const mark of unsure) if (there.includes(mark) || now.includes(mark)) acknowledged.add(mark)
      unsure.clear()
      const fault = await bothShow(clients, [...acknowledged])
      if (fault !== undefined) tally.broken.push(`after round ${round}: ${fault}`)
    }
    const fault = await bothShow(clients, [...acknowledged])
    if (fault !== undefined) tally.broken.push(`at the end: ${fault}`)
  } finally {
    for (const place of places) await place.dispose()
    await server.dispose()
  }
}
