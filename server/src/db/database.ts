import type { Client } from '@libsql/client'
import { sentence } from '@vendange/core/findings'
import { migrate } from 'drizzle-orm/libsql/migrator'
import { existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname } from 'node:path'
import PQueue from 'p-queue'
import { openFile } from './openFile'
import type { Reader, Transaction } from './drizzle'
import { drizzleOver } from './drizzle'
import { clearUnfinished, copyDatabase, keepBackup } from './backup'
import { changeableClient } from './changeableClient'
import { findDamage } from './damage/findDamage'
import type { Damage } from './damage/mendDamage'
import { mendDamage } from './damage/mendDamage'
import { syncFolder } from './durable'
import { filePlace } from './filePlace'
import { migrationTimes, ownMigrations } from './migrations'
import { unprocessable } from './refusal'
import { DatabaseRefused, troubleOfDisk } from './refusedFile'
import type { DatabaseServer } from './replica'
import { connectReplica, followServer, troubleOfServer } from './replica'
import { finishRestore, layReady, layStaleLogAside } from './restore'
import { textOf } from './textOf'

export type { Reader, Transaction } from './drizzle'
export { DatabaseRefused } from './refusedFile'

/** The open database. Every write goes through `write`, one at a time. */
export interface Database {
  readonly read: Reader
  /** Runs `work` in a write transaction of its own, after those before it. A throw rolls it back. */
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>
  /** Grows with every write, so that what was read before one is known to be old. */
  revision(): number
  /** Hears of every change, this place's own and those of others. @returns what ends it */
  onChange(listener: () => void): () => void
  /** Puts something harmless in place of what cannot be read any more. @returns in how many rows */
  mend(): Promise<number>
  /** Grows with every backup that was put back: all that was known before is of another time. */
  epoch(): number
  /** Has something else read the file, which is not put out of its place meanwhile. */
  beside<T>(work: (file: string) => Promise<T>): Promise<T>
  /** Keeps a dated copy; others go on writing. @param spare names of old ones that are needed yet @returns its file name */
  backup(label: string, spare?: readonly string[]): Promise<string>
  /**
   * Puts another database in the place of all there is, which is laid aside.
   *
   * @param other its file, such as a backup
   * @param refuse throws where what there is now may not be replaced
   * @throws {RestoreRefused} if it is damaged or none of ours; nothing is changed then
   */
  replaceBy(other: string, refuse?: (reader: Reader) => Promise<void>): Promise<void>
  readonly file: string
  readonly backupFolder: string
  close(): Promise<void>
}

export interface OpenOptions {
  /** Path of the SQLite file; made when it is missing. */
  readonly file: string
  readonly backupFolder: string
  /** Keeps the workshop for more than one place: `file` is a copy of it then. @default none, the file is the workshop */
  readonly server?: DatabaseServer | undefined
  /** Stamp for the names of backups. */
  readonly now: () => Date
  /** @default this version's own */
  readonly migrationsFolder?: string
  /** Does what takes long: here, or in a thread of its own. @default here */
  readonly long?: LongWork
}

/** What takes long over a whole file. */
export interface LongWork {
  readonly copy: typeof copyDatabase
  readonly layReady: typeof layReady
  readonly findDamage: typeof findDamage
}

async function appliedMigrations(client: Client, file: string): Promise<readonly number[]> {
  try {
    const check = await client.execute('PRAGMA quick_check(1)')
    const health = textOf(check.rows[0]?.['quick_check'])
    if (health !== 'ok') throw new Error(health)
    const tables = await client.execute("SELECT name FROM sqlite_master WHERE type = 'table'")
    const names = tables.rows.map(({ name }) => textOf(name))
    if (names.length === 0) return []
    if (!names.includes('__drizzle_migrations')) throw new Error('its tables are not those of Vendange')
    const applied = await client.execute('SELECT created_at FROM __drizzle_migrations ORDER BY created_at')
    return applied.rows.map((row) => Number(row['created_at']))
  } catch (error) {
    const trouble = troubleOfDisk(file, error)
    if (trouble) throw trouble
    const reason = error instanceof Error ? error.message : String(error)
    throw new DatabaseRefused(
      `The file ${file} is damaged or is no Vendange database (${reason}). It was left as it is. Put a backup from the folder “backups” in its place with “npm run restore -- NAME”, or start with another file.`,
    )
  }
}

/** Brings the tables of a connection up to date; all that it writes is safe on the disk. */
async function bringUpToDate(client: Client, migrationsFolder: string): Promise<void> {
  // Foreign keys and synchronous=FULL are this driver's defaults on every connection; a test holds it to that.
  await client.execute('PRAGMA journal_mode = WAL')
  await migrate(drizzleOver(client), { migrationsFolder })
}

/** A new database gets its name once its tables are there: a crash leaves none, never half of one. */
async function makeNew(file: string, migrationsFolder: string): Promise<void> {
  const part = `${file}.new`
  for (const ending of ['', '-wal', '-shm']) rmSync(part + ending, { force: true })
  const client = openFile(part)
  try {
    await bringUpToDate(client, migrationsFolder)
    await client.execute('PRAGMA wal_checkpoint(TRUNCATE)')
  } finally {
    client.close()
  }
  for (const ending of ['-wal', '-shm']) rmSync(part + ending, { force: true })
  renameSync(part, file)
  syncFolder(dirname(file))
}

/** Looks at the file before anything is done to it. @throws {DatabaseRefused} */
type Options = OpenOptions & Required<Pick<OpenOptions, 'migrationsFolder' | 'long'>>

async function refuseForeign(options: Options): Promise<void> {
  const { file, backupFolder, now, migrationsFolder, long } = options
  const known = migrationTimes(migrationsFolder)
  if (statSync(file).size === 0)
    throw new DatabaseRefused(
      `The file ${file} is empty: it was cut off, or made by something else. It was left as it is. Put a backup from the folder “backups” in its place with “npm run restore -- NAME”, or take it away to begin a new workshop.`,
    )
  const client = openFile(file)
  let applied: readonly number[]
  try {
    applied = await appliedMigrations(client, file)
  } finally {
    client.close()
  }
  if (Math.max(0, ...applied) > Math.max(...known)) {
    throw new DatabaseRefused(
      `The file ${file} was written by a newer version of Vendange. It was left as it is. Start the newer version, or put a backup from before the change in its place with “npm run restore”.`,
    )
  }
  if (applied.length > 0 && applied.length < known.length)
    await keepBackup(file, backupFolder, now(), 'before-migration', { copy: long.copy })
}

async function connect(options: Options): Promise<Client> {
  const { file, migrationsFolder, server } = options
  if (server) return connectReplica(file, server, migrationsFolder)
  let client: Client | undefined
  try {
    mkdirSync(dirname(file), { recursive: true })
    finishRestore(file, options.now())
    for (const folder of [options.backupFolder, dirname(file)]) clearUnfinished(folder)
    layStaleLogAside(file)
    if (!existsSync(file)) await makeNew(file, migrationsFolder)
    await refuseForeign(options)
    client = openFile(file)
    await bringUpToDate(client, migrationsFolder)
    return client
  } catch (error) {
    client?.close()
    throw troubleOfDisk(file, error) ?? error
  }
}

/**
 * Opens the workshop's database, bringing its tables up to date after keeping a backup.
 *
 * @throws {DatabaseRefused} if the file is damaged, is something else, or was written by a newer version, or if the disk is against it; it is left as it was
 */
export async function openDatabase(wanted: OpenOptions): Promise<Database> {
  const options = { migrationsFolder: ownMigrations, long: { copy: copyDatabase, layReady, findDamage }, ...wanted }
  const { file, backupFolder, now, long, server } = options
  const connection = changeableClient(await connect(options))
  const db = drizzleOver(connection.client)
  const writes = new PQueue({ concurrency: 1 })
  const place = filePlace()
  // One after the other: two of one second would take each other's name.
  const backups = new PQueue({ concurrency: 1 })
  let revision = 0
  let epoch = 0
  const listeners = new Set<() => void>()
  const tellChanged = (): void => {
    for (const listener of listeners) listener()
  }
  /** As of which revision nothing was found to mend. */
  let soundAt: number | undefined

  const inTransaction = async <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> => {
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
      throw (server && troubleOfServer(failure ?? error)) ?? failure ?? error
    } finally {
      // What was refused has changed nothing, and nobody reads anew for it.
      if (failure === undefined) revision += 1
    }
  }
  // What other places wrote makes old what was read here.
  const stopFollowing =
    server &&
    followServer(connection.client, () => {
      revision += 1
      tellChanged()
    })
  const write: Database['write'] = (work) =>
    writes.add(async () => {
      const done = await inTransaction(work)
      tellChanged()
      return done
    })
  const mendFound = (transaction: Transaction, damage: Damage) => mendDamage(transaction, now().toISOString(), damage)
  /** Rows are held against the tables of this version. */
  const findPlainDamage = async (): Promise<Damage> =>
    options.migrationsFolder === ownMigrations ? long.findDamage(file, true) : new Map()
  const plain = await findPlainDamage()
  if (plain.size > 0) await write((transaction) => mendFound(transaction, plain))

  return {
    read: db,
    write,
    mend: async () => {
      // One fault is looked into once: asking again for the same page finds the same.
      if (soundAt === revision) return 0
      const damage = await place.keep(() => long.findDamage(file, false))
      const mended = damage.size > 0 ? await write((transaction) => mendFound(transaction, damage)) : 0
      soundAt = mended === 0 ? revision : undefined
      return mended
    },
    revision: () => revision,
    epoch: () => epoch,
    onChange: (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    beside: (work) => place.keep(() => work(file)),
    backup: (label, spare = []) =>
      backups.add(() => place.keep(() => keepBackup(file, backupFolder, now(), label, { copy: long.copy, spare }))),
    replaceBy: (other, refuse) =>
      writes.add(async () => {
        await refuse?.(db)
        if (server) throw unprocessable(sentence('not_from_here'))
        await long.layReady(file, other)
        await place.change(() =>
          connection.change(async (client) => {
            client.close()
            return connect(options)
          }),
        )
        epoch += 1
        const damage = await findPlainDamage()
        await inTransaction((transaction) => mendFound(transaction, damage))
        tellChanged()
      }),
    file,
    backupFolder,
    close: async () => {
      await writes.onIdle()
      stopFollowing?.()
      if (!server) await connection.client.execute('PRAGMA wal_checkpoint(TRUNCATE)')
      connection.client.close()
    },
  }
}
