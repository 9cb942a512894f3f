import type { Client } from '@libsql/client'
import { createClient } from '@libsql/client'
import { expect } from 'chai'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { firstDamage } from '../src/db/damage/mendDamage'
import { openDatabase } from '../src/db/database'
import { drizzleOver } from '../src/db/drizzle'
import { bringUpTo, ownMigrationTimes } from '../src/db/migrations'
import { openDemo } from './seededDemo'
import { textOf } from '../src/db/textOf'

type Row = Record<string, unknown>
type Tables = Readonly<Record<string, readonly Row[]>>

const tablesOf = async (client: Client): Promise<readonly string[]> =>
  (
    await client.execute(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name <> '__drizzle_migrations'",
    )
  ).rows.map((row) => textOf(row['name']))

/** A workshop in which something stands in every column; pictures are left out. */
async function everything(client: Client): Promise<Tables> {
  const tables: Record<string, readonly Row[]> = {}
  for (const name of await tablesOf(client))
    if (name !== 'photos')
      tables[name] = (await client.execute(`SELECT * FROM "${name}" ORDER BY rowid`)).rows.map((row) => ({ ...row }))
  return tables
}

/** What stood in columns that there are no longer. */
const gone: Readonly<Record<string, string>> = { 'workshop.week_hours': '[2,2,4,2,2,6,0]' }
/** Columns that a later version reckons anew from others. */
const reckoned = ['loaves.is_done']

const meaning = (value: unknown): unknown =>
  typeof value === 'string' && /^[[{]/.test(value) ? (JSON.parse(value) as unknown) : value

describe('an upgrade from each earlier version', () => {
  let demo: Tables
  let folder: string
  before(async () => {
    const { database, dispose } = await openDemo()
    const client = createClient({ url: `file:${database.file}` })
    demo = await everything(client)
    client.close()
    await dispose()
  })
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'vendange-'))))
  afterEach(() => rmSync(folder, { recursive: true, force: true }))

  /** Fills the tables of a version with the demo, as far as they had its columns. @returns what was put in */
  async function fill(client: Client): Promise<Tables> {
    await client.execute('PRAGMA foreign_keys = OFF')
    const filled: Record<string, readonly Row[]> = {}
    for (const name of await tablesOf(client)) {
      const info = await client.execute(`SELECT name FROM pragma_table_info('${name}')`)
      const columns = info.rows.map((row) => textOf(row['name']))
      const rows = (demo[name] ?? []).map((row) =>
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
  }

  for (const [index, time] of ownMigrationTimes().entries())
    it(`keeps what every column means: version ${index}`, async () => {
      const file = join(folder, 'vendange.sqlite')
      const earlier = createClient({ url: `file:${file}` })
      await bringUpTo(earlier, time)
      const filled = await fill(earlier)
      earlier.close()

      const database = await openDatabase({ file, backupFolder: join(folder, 'backups'), now: () => new Date() })
      await database.close()
      const client = createClient({ url: `file:${file}` })
      try {
        const now = await everything(client)
        for (const [name, rows] of Object.entries(filled)) {
          if (name === 'photos') continue
          expect(now[name]?.length, name).to.equal(rows.length)
          for (const [at, row] of rows.entries())
            for (const [column, value] of Object.entries(row)) {
              const where = `${name}.${column}`
              if (where in gone || reckoned.includes(where)) continue
              expect(meaning(now[name]?.[at]?.[column]), `${where} of row ${at + 1}`).to.deep.equal(meaning(value))
            }
        }
        // What came since is there as well, and of its kind.
        expect(await firstDamage(drizzleOver(client))).to.equal(undefined)
        expect(now['damaged_rows']).to.deep.equal([])
        expect(Object.keys(now).sort()).to.deep.equal(Object.keys(demo).sort())
      } finally {
        client.close()
      }
    }).timeout(60_000)
})
