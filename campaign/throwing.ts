import type { Dice } from './dice'
import { diceOf } from './dice'
import { livesOf } from './lives'
import { requestTo, routesOf } from './requests'
import type { Answer, Throw } from './send'
import { asLine, hangMs, send } from './send'
import { seeWorkshop } from './workshopSeen'

/** A request that was answered as none may be, with what sends it again. */
export interface Broken {
  readonly what: string
  readonly line: string
}

/** What came of many requests. */
export interface Tally {
  sent: number
  inSequences: number
  readonly byStatus: Map<number, number>
  slowestMs: number
  slowest: string
  readonly broken: Broken[]
}

export const newTally = (): Tally => ({
  sent: 0,
  inSequences: 0,
  byStatus: new Map(),
  slowestMs: 0,
  slowest: '',
  broken: [],
})

/** Whether an answer is one that no request may get. A full disk (507) is told as what it is. */
function faultIn({ status, ms, bytes }: Answer): string | undefined {
  if (status >= 500 && status !== 507) return `answered ${status}: ${bytes.toString().slice(0, 200)}`
  if (ms > hangMs) return `took ${Math.round(ms)} ms`
  return undefined
}

export function throwerAt(url: string, tally: Tally): Throw {
  return async (thrown) => {
    tally.sent += 1
    try {
      const answer = await send(url, thrown)
      tally.byStatus.set(answer.status, (tally.byStatus.get(answer.status) ?? 0) + 1)
      if (answer.ms > tally.slowestMs) {
        tally.slowestMs = answer.ms
        tally.slowest = `${thrown.method} ${thrown.path}`
      }
      const fault = faultIn(answer)
      if (fault !== undefined)
        tally.broken.push({ what: `${thrown.method} ${thrown.path} ${fault}`, line: asLine(thrown) })
      return answer
    } catch (error) {
      tally.broken.push({ what: `${thrown.method} ${thrown.path}: ${String(error)}`, line: asLine(thrown) })
      return undefined
    }
  }
}

/** How many single requests are under way at once. */
const atOnce = 4
/** The workshop is looked at anew after so many requests, so that they point at what there is. */
const seenFor = 100

/** Single requests to every route of the OpenAPI document, sound and hostile. */
export async function throwRequests(url: string, dice: Dice, count: number, tally: Tally): Promise<void> {
  const throwOne = throwerAt(url, tally)
  const document = await send(url, { method: 'GET', path: '/api/openapi.json', headers: {} })
  const all = routesOf(JSON.parse(document.bytes.toString()) as Parameters<typeof routesOf>[0])
  // What is heavy by its nature is asked for less often.
  const isHeavy = ({ method, path }: (typeof all)[number]): boolean =>
    path.endsWith('.pdf') || path.startsWith('/api/backups') || (path === '/api/archive' && method === 'GET')
  const routes = all.filter((route) => !isHeavy(route))
  const heavy = all.filter(isHeavy)
  for (let sent = 0; sent < count;) {
    const seen = await seeWorkshop(url, dice)
    const chunk = Math.min(seenFor, count - sent)
    const waiting = Array.from({ length: chunk }, () =>
      requestTo(dice, dice.one(dice.chance(0.02) ? heavy : routes), seen, 0.6),
    )
    const lane = async (): Promise<void> => {
      for (let next = waiting.pop(); next; next = waiting.pop()) await throwOne(next)
    }
    await Promise.all(Array.from({ length: atOnce }, lane))
    sent += chunk
  }
}

/** Lives of soaps from the pour to the last buyer, spoiled here and there. */
export async function throwSequences(url: string, dice: Dice, count: number, tally: Tally): Promise<void> {
  const throwOne = throwerAt(url, tally)
  const until = tally.sent + count
  while (tally.sent < until) {
    const before = tally.sent
    await livesOf(url, diceOf(dice.whole(0, 2 ** 31)), throwOne, () => tally.sent >= until)
    tally.inSequences += tally.sent - before
  }
}
