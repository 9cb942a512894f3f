import type { Client } from '@libsql/client'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { isDeepStrictEqual } from 'node:util'
import { openFile } from '../server/src/db/openFile'
import { WorkshopProcess } from '../e2e/server'
import { firstDamage } from '../server/src/db/damage/findDamage'
import { drizzleOver } from '../server/src/db/drizzle'
import { bringUpTo, ownMigrationTimes } from '../server/src/db/migrations'
import { textOf } from '../server/src/db/textOf'
import type { Dice } from './dice'

type Row = Readonly<Record<string, unknown>>
/** Rows by the name of their table. */
export type Tables = Readonly<Record<string, readonly Row[]>>

/** What came of workshops of earlier versions. */
export interface UpgradeTally {
  upgraded: number
  /** How many of them were killed while they were brought up to date. */
  killed: number
  /** Columns that lost what they meant, and what else is wrong. */
  readonly broken: string[]
}

export const noUpgrades = (): UpgradeTally => ({ upgraded: 0, killed: 0, broken: [] })
const today = '2027-03-08'
/** A start of the server takes about so long on this machine, ms: a kill falls somewhere into it. */
const startMs = 700

/** What stood in columns that there are no longer. */
const gone: Readonly<Record<string, string>> = { 'workshop.week_hours': '[2,2,4,2,2,6,0]' }
/** Columns that a later version reckons anew from others. */
const reckoned = ['loaves.is_done']

async function tablesOf(client: Client): Promise<readonly string[]> {
  const { rows } = await client.execute(
    "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name <> '__drizzle_migrations'",
  )
  return rows.map((row) => textOf(row['name']))
}

async function overFile<T>(file: string, work: (client: Client) => Promise<T>): Promise<T> {
  const client = openFile(file)
  try {
    return await work(client)
  } finally {
    client.close()
  }
}

/** All rows of a workshop; pictures are left out. */
export const everythingIn = (file: string): Promise<Tables> =>
  overFile(file, async (client) => {
    const tables: Record<string, readonly Row[]> = {}
    for (const name of await tablesOf(client))
      if (name !== 'photos')
        tables[name] = (await client.execute(`SELECT * FROM "${name}" ORDER BY rowid`)).rows.map((row) => ({ ...row }))
    return tables
  })

/**
 * Makes a workshop as a version kept it, filled as far as it had the columns.
 *
 * @param version counted from the first, 0
 * @param from rows to fill it with
 * @returns what was put in
 */
function makeEarlier(file: string, version: number, from: Tables): Promise<Tables> {
  return overFile(file, async (client) => {
    await bringUpTo(client, ownMigrationTimes()[version]!)
    await client.execute('PRAGMA foreign_keys = OFF')
    const filled: Record<string, readonly Row[]> = {}
    for (const name of await tablesOf(client)) {
      const info = await client.execute(`SELECT name FROM pragma_table_info('${name}')`)
      const columns = info.rows.map((row) => textOf(row['name']))
      const rows = (from[name] ?? []).map((row) =>
        Object.fromEntries(columns.map((column) => [column, row[column] ?? gone[`${name}.${column}`] ?? null])),
      )
      const names = columns.map((column) => `"${column}"`).join(', ')
      const sql = `INSERT INTO "${name}" (${names}) VALUES (${columns.map(() => '?').join(', ')})`
      await client.batch(
        rows.map((row) => ({ sql, args: columns.map((column) => row[column] as string | number | null) })),
        'write',
      )
      filled[name] = rows
    }
    return filled
  })
}

const meaning = (value: unknown): unknown =>
  typeof value === 'string' && /^[[{]/.test(value) ? (JSON.parse(value) as unknown) : value

/** Columns whose meaning was lost, and what else is wrong with an upgraded workshop. */
async function lostIn(file: string, filled: Tables, from: Tables): Promise<readonly string[]> {
  const now = await everythingIn(file)
  const lost: string[] = []
  for (const [name, rows] of Object.entries(filled)) {
    if (name === 'photos') continue
    if (now[name]?.length !== rows.length) lost.push(`${name}: ${now[name]?.length} rows of ${rows.length}`)
    for (const [at, row] of rows.entries())
      for (const [column, value] of Object.entries(row)) {
        const where = `${name}.${column}`
        if (where in gone || reckoned.includes(where)) continue
        if (!isDeepStrictEqual(meaning(now[name]?.[at]?.[column]), meaning(value)))
          lost.push(`${where} of row ${at + 1}`)
      }
  }
  // What came since is there as well, and of its kind.
  const damage = await overFile(file, (client) => firstDamage(drizzleOver(client)))
  if (damage) lost.push(`damaged: ${damage.table} ${damage.name}`)
  if (now['damaged_rows']?.length !== 0) lost.push('something was mended')
  if (!isDeepStrictEqual(Object.keys(now).sort(), Object.keys(from).sort())) lost.push('not the tables of today')
  return lost
}

/** A folder with a workshop of an earlier version is brought up to date. @returns what was lost by it */
export async function upgradedFrom(
  version: number,
  from: Tables,
  folder: string,
  open: () => Promise<void>,
): Promise<readonly string[]> {
  const file = join(folder, 'vendange.sqlite')
  const filled = await makeEarlier(file, version, from)
  await open()
  return lostIn(file, filled, from)
}

/** The server is started over a workshop of each earlier version; from the second round on it is killed meanwhile, once. */
export async function upgradeAll(dice: Dice, count: number, tally: UpgradeTally): Promise<void> {
  const demo = new WorkshopProcess()
  demo.seedDemo()
  const from = await everythingIn(join(demo.folder, 'vendange.sqlite'))
  await demo.dispose()
  const versions = ownMigrationTimes().length
  while (tally.upgraded < count) {
    const version = tally.upgraded % versions
    const isKilled = tally.upgraded >= versions
    const workshop = new WorkshopProcess()
    try {
      const lost = await upgradedFrom(version, from, workshop.folder, async () => {
        if (isKilled) {
          void workshop.start(today)
          await wait(dice.random() * startMs)
          await workshop.kill()
          tally.killed += 1
        }
        await workshop.start(today)
        await workshop.stop()
      })
      tally.broken.push(...lost.map((one) => `version ${version}${isKilled ? ', killed' : ''}: ${one}`))
    } finally {
      await workshop.dispose()
    }
    tally.upgraded += 1
  }
}
