import { createClient as openFile } from '@libsql/client'
import type { SeasonView } from '@vendange/contract'
import { blankCollection, blankIngredient, blankMaker, oliveRecipe } from '@vendange/contract'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import type { WorkshopProcess } from '../e2e/server'
import type { Dice } from './dice'
import { send } from './send'
import { textOf } from '../server/src/db/textOf'

/** What came of killing a server again and again while it wrote. */
export interface Kills {
  kills: number
  /** Writes that were answered as kept. */
  acknowledged: number
  /** Of them those that a later start no longer had. */
  readonly lost: string[]
  /** Backups put back that were cut off, and how each ended. */
  restores: number
  readonly broken: string[]
}

export const noKills = (): Kills => ({ kills: 0, acknowledged: 0, lost: [], restores: 0, broken: [] })

const today = '2027-03-08'
const start = 'kept-'
const png = Buffer.concat([
  Buffer.from('89504e470d0a1a0a', 'hex'),
  Buffer.alloc(20_000, 7),
  Buffer.from('0000000049454e44ae426082', 'hex'),
])

/** Sends one write. @returns its reply, or undefined where the server refused it or is gone */
async function write<T>(url: string, path: string, body: object | Buffer, makerId: string, method = 'POST') {
  const isPicture = Buffer.isBuffer(body)
  try {
    const { status, bytes } = await send(url, {
      method,
      path,
      headers: { 'X-Vendange-Maker': makerId, 'Content-Type': isPicture ? 'image/png' : 'application/json' },
      body: isPicture ? body : JSON.stringify(body),
    })
    return status < 300 ? (JSON.parse(bytes.toString()) as T) : undefined
  } catch {
    return undefined
  }
}

/** Every kind of write, each leaving a mark in the file that is found again. */
function writersOf(
  url: string,
  season: SeasonView,
  dice: Dice,
): readonly ((mark: string) => Promise<string | undefined>)[] {
  const maker = season.makers[0]?.id ?? ''
  const open = season.loaves.filter(({ state }) => state.status === 'curing')
  const versions = new Map(open.map(({ id, version }) => [id, version]))
  const tell = <T>(path: string, body: object | Buffer, method?: string) => write<T>(url, path, body, maker, method)
  const marked = async (mark: string, path: string, body: object): Promise<string | undefined> =>
    (await tell(path, body)) === undefined ? undefined : mark
  const onLoaf = (event: (mark: string) => object) => async (mark: string) => {
    const loaf = dice.one(open)
    const version = versions.get(loaf.id) ?? 0
    const view = await tell<{ loaf: { version: number } }>(`/api/loaves/${loaf.id}/events`, {
      ...event(mark),
      day: today,
      version,
    })
    if (!view) return undefined
    versions.set(loaf.id, view.loaf.version)
    return mark
  }
  const collection = { ...blankCollection, releaseLocal: '2027-04-24T18:00', releaseZone: 'UTC', state: 'looked_back' }
  const lot = {
    supplier: 'Mill',
    receivedDay: today,
    openedDay: null,
    bestBeforeDay: null,
    isRecalled: false,
    receivedAmount: 1,
  }
  return [
    onLoaf((text) => ({ type: 'noted', text })),
    onLoaf((place) => ({ type: 'moved', place })),
    (name) => marked(name, '/api/makers', { ...blankMaker, name, weekHours: [0, 0, 0, 0, 0, 0, 0] }),
    (name) => marked(name, '/api/recipes', { ...oliveRecipe, name }),
    (name) => marked(name, '/api/collections', { ...collection, name }),
    (name) => marked(name, '/api/ingredients', { ...blankIngredient, name }),
    (taskKey) => marked(taskKey, '/api/season/ticks', { day: today, taskKey, isDone: true }),
    async () => (await tell<{ photoId: string }>('/api/photos', png))?.photoId,
    async (mark) => {
      const ingredient = await tell<{ id: string }>('/api/ingredients', { ...blankIngredient, name: `${mark}-of` })
      const body = { ...lot, lotNumber: mark, adjustment: 0, priceCents: 0, carriageCents: 0, certificate: null }
      return ingredient && marked(mark, '/api/lots', { ...body, ingredientId: ingredient.id })
    },
  ]
}

/** Marks that stand in the file. */
async function marksIn(folder: string): Promise<ReadonlySet<string>> {
  const client = openFile({ url: `file:${join(folder, 'vendange.sqlite')}` })
  const found = new Set<string>()
  try {
    for (const sql of [
      "SELECT happening ->> '$.text' AS mark FROM loaf_events WHERE happening ->> '$.type' = 'noted'",
      "SELECT happening ->> '$.place' AS mark FROM loaf_events WHERE happening ->> '$.type' = 'moved'",
      'SELECT name AS mark FROM makers',
      'SELECT name AS mark FROM recipes',
      'SELECT name AS mark FROM collections',
      'SELECT name AS mark FROM ingredients',
      'SELECT lot_number AS mark FROM lots',
      'SELECT task_key AS mark FROM day_ticks',
      'SELECT id AS mark FROM photos',
    ])
      for (const { mark } of (await client.execute(sql)).rows) found.add(textOf(mark))
  } finally {
    client.close()
  }
  return found
}

interface Round {
  readonly workshop: WorkshopProcess
  readonly dice: Dice
  readonly tally: Kills
  /** Marks that were answered as kept. */
  readonly kept: Set<string>
  readonly number: number
}

/** Writers that write until they are told to stop, and a server that is killed in their midst. */
async function killWhileWriting({ workshop, dice, tally, kept, number }: Round): Promise<void> {
  const season = JSON.parse(
    (await send(workshop.url, { method: 'GET', path: '/api/season', headers: {} })).bytes.toString(),
  ) as SeasonView
  const writers = writersOf(workshop.url, season, dice)
  let isOn = true
  const before = tally.acknowledged
  const lanes = [0, 1, 2].map(async (lane) => {
    for (let at = 0; isOn; at++) {
      const mark = await dice.one(writers)(`${start}${number}-${lane}-${at}`)
      if (mark !== undefined) {
        kept.add(mark)
        tally.acknowledged += 1
      }
    }
  })
  const backing = dice.chance(0.1) ? write(workshop.url, '/api/backups', {}, '') : undefined
  for (let tries = 0; tally.acknowledged === before && tries < 400; tries++) await wait(5)
  await wait(dice.random() * 200)
  await workshop.kill()
  isOn = false
  await Promise.all([...lanes, backing])
}

/** A backup is put back and the server killed in the midst of it: all is as before, or all as the backup has it. */
async function killWhileRestoring({ workshop, dice, tally, kept, number }: Round): Promise<void> {
  const backup = await write<{ fileName: string }>(workshop.url, '/api/backups', {}, '')
  if (!backup) return
  const atBackup = new Set(kept)
  const season = JSON.parse(
    (await send(workshop.url, { method: 'GET', path: '/api/season', headers: {} })).bytes.toString(),
  ) as SeasonView
  const later = `${start}${number}-later`
  const [, , asMaker] = writersOf(workshop.url, season, dice)
  if ((await asMaker?.(later)) !== undefined) {
    kept.add(later)
    tally.acknowledged += 1
  }
  const restoring = write(workshop.url, `/api/backups/${backup.fileName}/restore`, {}, '')
  await wait(dice.random() * 400)
  await workshop.kill()
  const isAnswered = (await restoring) !== undefined
  await workshop.start(today)
  tally.restores += 1
  const found = await marksIn(workshop.folder)
  const isBack = !found.has(later)
  if (isAnswered && !isBack) tally.broken.push(`Restore ${number} was answered as done and is not`)
  if (isBack) {
    kept.clear()
    for (const mark of atBackup) kept.add(mark)
  }
  await workshop.kill()
}

/** Kills a server again and again while it writes, and looks for everything that it had answered as kept. */
export async function killAgainAndAgain(
  workshop: WorkshopProcess,
  dice: Dice,
  count: number,
  tally: Kills,
  tell?: (tally: Kills) => void,
): Promise<void> {
  const kept = new Set<string>()
  for (let number = 0; number < count; number++) {
    const round = { workshop, dice, tally, kept, number }
    await (dice.chance(0.05) ? killWhileRestoring(round) : killWhileWriting(round))
    tally.kills += 1
    try {
      await workshop.start(today)
    } catch (error) {
      tally.broken.push(`After kill ${number} it does not start: ${String(error)}`)
      return
    }
    if (number % 10 < 9 && number < count - 1) continue
    tell?.(tally)
    const found = await marksIn(workshop.folder)
    for (const mark of kept)
      if (!found.has(mark)) {
        tally.lost.push(mark)
        kept.delete(mark)
      }
  }
}
