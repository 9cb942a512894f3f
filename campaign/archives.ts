import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { createHash } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import { WorkshopProcess } from '../e2e/server'
import type { Dice } from './dice'
import { hostileMessage } from './messages'
import { hangMs, send } from './send'

/** What came of archives that were changed by hand. */
export interface ArchiveTally {
  sent: number
  taken: number
  refused: number
  /** Taken, and not equal when they came out again; or answered as none may be. */
  readonly broken: string[]
}

export const noArchives = (): ArchiveTally => ({ sent: 0, taken: 0, refused: 0, broken: [] })

const today = '2027-03-08'
type Files = Record<string, Uint8Array>
interface Manifest {
  tables: { name: string; file: string; rows: number; sha256: string }[]
  photos: Record<string, unknown>[]
}

const sha = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')
const manifestOf = (files: Files): Manifest => JSON.parse(strFromU8(files['manifest.json']!)) as Manifest

/** The files of an archive; undefined when one of them cannot be unpacked. */
function filesOf(bytes: Uint8Array): Files | undefined {
  try {
    return unzipSync(bytes)
  } catch {
    return undefined
  }
}

/** All that an archive says, without the moment at which it was made; undefined when it cannot be unpacked. */
function contentOf(bytes: Uint8Array): unknown {
  const files = filesOf(bytes)
  if (!files) return undefined
  const { tables, photos } = manifestOf(files)
  const rows = Object.fromEntries(
    tables.map(({ name, file }) => [name, JSON.parse(strFromU8(files[file]!)) as unknown]),
  )
  return { rows, photos: photos.map((photo) => ({ ...photo, bytes: sha(files[String(photo['file'])]!) })) }
}

/** An archive with something in it changed, its hashes made to fit or not. */
function changed(dice: Dice, whole: Uint8Array): Uint8Array {
  if (dice.chance(0.08)) return whole.slice(0, Math.floor(whole.length * dice.random()))
  if (dice.chance(0.08)) {
    const bytes = new Uint8Array(whole)
    bytes[dice.whole(0, bytes.length - 1)] = dice.whole(0, 255)
    return bytes
  }
  const files: Files = { ...unzipSync(whole) }
  const manifest = manifestOf(files)
  const fits = !dice.chance(0.1)
  const table = dice.one(manifest.tables)
  const rows = JSON.parse(strFromU8(files[table.file]!)) as unknown[]
  const after = dice.one([
    () => hostileMessage(dice, rows),
    () => rows.filter((_, at) => at !== dice.whole(0, Math.max(0, rows.length - 1))),
    () => [...rows, ...rows.slice(0, 1)],
    () => rows.map((row) => (dice.chance(0.3) ? hostileMessage(dice, row) : row)),
    () => rows,
    // JSON within a column, changed inside.
    () =>
      rows.map((row) =>
        Object.fromEntries(
          Object.entries(row as object).map(([column, value]) =>
            typeof value === 'string' && /^[[{]/.test(value) && dice.chance(0.3)
              ? [column, JSON.stringify(hostileMessage(dice, JSON.parse(value) as unknown))]
              : [column, value as unknown],
          ),
        ),
      ),
  ])()
  files[table.file] = strToU8(JSON.stringify(after) ?? 'null')
  if (fits) {
    table.sha256 = sha(files[table.file]!)
    table.rows = Array.isArray(after) ? after.length : 0
  }
  const said: unknown = dice.chance(0.15) ? hostileMessage(dice, manifest) : manifest
  files['manifest.json'] = strToU8(JSON.stringify(said) ?? 'null')
  if (dice.chance(0.05)) files[dice.one(['tables/x.json', '../x', 'photos/x', 'schema.sql'])] = strToU8('x')
  if (dice.chance(0.05)) delete files[dice.one(Object.keys(files))]
  return zipSync(files, { level: 1 })
}

/** Sends changed archives to an empty workshop: what is taken must come out again as it went in. */
export async function sendArchives(
  dice: Dice,
  count: number,
  tally: ArchiveTally,
  tell?: (tally: ArchiveTally) => void,
): Promise<void> {
  const full = new WorkshopProcess()
  full.seedDemo()
  await full.start(today)
  const whole = new Uint8Array((await send(full.url, { method: 'GET', path: '/api/archive', headers: {} })).bytes)
  await full.dispose()
  let empty: WorkshopProcess | undefined
  try {
    while (tally.sent < count) {
      if (!empty) {
        empty = new WorkshopProcess()
        await empty.start(today)
      }
      const bytes = changed(dice, whole)
      tally.sent += 1
      if (tally.sent % 100 === 0) tell?.(tally)
      const headers = { 'Content-Type': 'application/zip' }
      const answer = await send(empty.url, { method: 'POST', path: '/api/archive', headers, body: bytes })
      if (answer.status >= 500) tally.broken.push(`Archive ${tally.sent} answers ${answer.status}`)
      // A whole workshop is built of it: that takes longer than an answer, and not much.
      if (answer.ms > 5 * hangMs) tally.broken.push(`Archive ${tally.sent} took ${Math.round(answer.ms)} ms`)
      if (answer.status >= 300) {
        tally.refused += 1
        continue
      }
      tally.taken += 1
      const back = (await send(empty.url, { method: 'GET', path: '/api/archive', headers: {} })).bytes
      if (!isDeepStrictEqual(contentOf(new Uint8Array(back)), contentOf(bytes)))
        tally.broken.push(`Archive ${tally.sent} came out otherwise than it went in`)
      for (const path of ['/api/season', '/api/stores', '/api/loaves', '/api/calendar.ics'])
        if ((await send(empty.url, { method: 'GET', path, headers: {} })).status !== 200)
          tally.broken.push(`Archive ${tally.sent} was taken and broke ${path}`)
      await empty.dispose()
      empty = undefined
    }
  } finally {
    await empty?.dispose()
  }
}
