import type { Client } from '@libsql/client'
import { createClient } from '@libsql/client'
import { migrate } from 'drizzle-orm/libsql/migrator'
import { existsSync, mkdirSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import PQueue from 'p-queue'
import { object, number, array } from 'yup'
import { home } from '../dataFolder'
import type { Reader, Transaction } from './drizzle'
import { drizzleOver } from './drizzle'
import { keepBackup } from './backup'
import { findDamage, mendDamage, mendPlainDamage } from './damage/mendDamage'
import { layStaleLogAside } from './restore'

const ownMigrations = join(home, 'server/migrations')
const journalSchema = object({ entries: array(object({ when: number().required() }).required()).required() }).required()

export type { Reader, Transaction } from './drizzle'

/** The open database. Every write goes through `write`, one at a time. */
export interface Database {
  readonly read: Reader
  /** Runs `work` in a write transaction of its own, after those before it. A throw rolls it back. */
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>
  /** Grows with every write, so that what was read before one is known to be old. */
  revision(): number
  /** Puts something harmless in place of what cannot be read any more. @returns in how many rows */
  mend(): Promise<number>
  /** Keeps a dated copy. @returns its file name */
  backup(label: string): Promise<string>
  readonly backupFolder: string
  close(): Promise<void>
}

export interface OpenOptions {
  /** Path of the SQLite file; made when it is missing. */
  readonly file: string
  readonly backupFolder: string
  /** Stamp for the names of backups. */
  readonly now: () => Date
  /** @default this version's own */
  readonly migrationsFolder?: string
}

/** A database file that this program must not touch, with what to do about it. */
export class DatabaseRefused extends Error {
  override readonly name = 'DatabaseRefused'
}

function migrationTimes(migrationsFolder: string): readonly number[] {
  const journal: unknown = JSON.parse(readFileSync(join(migrationsFolder, 'meta/_journal.json'), 'utf8'))
  return journalSchema.validateSync(journal).entries.map(({ when }) => when)
}

/** A text that SQLite gave; nothing where it is none. */
const textIn = (value: unknown): string => (typeof value === 'string' ? value : '')

async function appliedMigrations(client: Client, file: string): Promise<readonly number[]> {
  try {
    const check = await client.execute('PRAGMA quick_check(1)')
    const health = textIn(check.rows[0]?.['quick_check'])
    if (health !== 'ok') throw new Error(health)
    const tables = await client.execute("SELECT name FROM sqlite_master WHERE type = 'table'")
    const names = tables.rows.map(({ name }) => textIn(name))
    if (names.length === 0) return []
    if (!names.includes('__drizzle_migrations')) throw new Error('its tables are not those of Vendange')
    const applied = await client.execute('SELECT created_at FROM __drizzle_migrations ORDER BY created_at')
    return applied.rows.map((row) => Number(row['created_at']))
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error)
    throw new DatabaseRefused(
      `The file ${file} is damaged or is no Vendange database (${reason}). It was left as it is. Put a backup from the folder “backups” in its place with “npm run restore -- NAME”, or start with another file.`,
    )
  }
}

/**
 * Opens the workshop's database, bringing its tables up to date after keeping a backup.
 *
 * @throws {DatabaseRefused} if the file is damaged, is something else, or was written by a newer version; it is left as it was
 */
export async function openDatabase(options: OpenOptions): Promise<Database> {
  const { file, backupFolder, now, migrationsFolder = ownMigrations } = options
  mkdirSync(dirname(file), { recursive: true })
  layStaleLogAside(file)
  const existed = existsSync(file)
  const client = createClient({ url: `file:${file}` })
  const known = migrationTimes(migrationsFolder)
  try {
    const applied = existed ? await appliedMigrations(client, file) : []
    const newest = Math.max(0, ...applied)
    if (newest > Math.max(...known)) {
      throw new DatabaseRefused(
        `The file ${file} was written by a newer version of Vendange. It was left as it is. Start the newer version, or put a backup from before the change in its place with “npm run restore”.`,
      )
    }
    if (applied.length > 0 && applied.length < known.length)
      await keepBackup(client, backupFolder, now(), 'before-migration')
  } catch (error) {
    client.close()
    throw error
  }

  // Foreign keys and synchronous=FULL are this driver's defaults on every connection; a test holds it to that.
  await client.execute('PRAGMA journal_mode = WAL')
  const db = drizzleOver(client)
  await migrate(db, { migrationsFolder })
  const writes = new PQueue({ concurrency: 1 })
  let revision = 0
  /** As of which revision nothing was found to mend. */
  let soundAt: number | undefined

  const write: Database['write'] = (work) =>
    writes.add(async () => {
      let failure: unknown
      const keepingWhy = async (transaction: Transaction) => {
        try {
          return await work(transaction)
        } catch (error) {
          failure = error
          throw error
        }
      }
      try {
        return await db.transaction(keepingWhy, { behavior: 'immediate' })
      } catch (error) {
        // A full disk ends the transaction by itself; that it cannot be rolled back then is not what went wrong.
        throw failure ?? error
      } finally {
        revision += 1
      }
    })
  await write((transaction) => mendPlainDamage(transaction, now().toISOString()))

  return {
    read: db,
    write,
    mend: async () => {
      // One fault is looked into once: asking again for the same page finds the same.
      if (soundAt === revision) return 0
      const damage = await findDamage(db)
      const mended =
        damage.size > 0 ? await write((transaction) => mendDamage(transaction, now().toISOString(), damage)) : 0
      soundAt = mended === 0 ? revision : undefined
      return mended
    },
    revision: () => revision,
    backup: (label) => writes.add(() => keepBackup(client, backupFolder, now(), label)),
    backupFolder,
    close: async () => {
      await writes.onIdle()
      await client.execute('PRAGMA wal_checkpoint(TRUNCATE)')
      client.close()
    },
  }
}
