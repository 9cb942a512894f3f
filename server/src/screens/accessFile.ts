import type { Client } from '@libsql/client'
import { chmodSync, existsSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { drizzle } from 'drizzle-orm/libsql'
import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Role } from '@vendange/contract'
import { openFile } from '../db/openFile'

/** Screens that were let in. What lets them in again is kept as its hash alone. */
export const screens = sqliteTable('screens', {
  id: text().primaryKey(),
  name: text().notNull(),
  role: text().$type<Role>().notNull(),
  sessionHash: text('session_hash').notNull(),
  makerId: text('maker_id'),
  pairedAt: text('paired_at').notNull(),
  lastUsedAt: text('last_used_at').notNull(),
})

/** PINs of makers, as hashes, and how often they were mistyped. */
export const pins = sqliteTable('pins', {
  makerId: text('maker_id').primaryKey(),
  salt: text().notNull(),
  hash: text().notNull(),
  failures: integer().notNull().default(0),
  lockedUntil: text('locked_until'),
})

/** Browsers of the computer itself in which a maker has signed in. */
export const seats = sqliteTable('seats', {
  sessionHash: text('session_hash').primaryKey(),
  makerId: text('maker_id').notNull(),
  lastUsedAt: text('last_used_at').notNull(),
})

/** Who did what, for whoever asks afterwards. */
export const deeds = sqliteTable('deeds', {
  id: integer().primaryKey({ autoIncrement: true }),
  at: text().notNull(),
  screen: text(),
  makerId: text('maker_id'),
  what: text().notNull(),
})

export const settings = sqliteTable('settings', { key: text().primaryKey(), value: text().notNull() })

/** What each version of the file added. */
const versions: readonly (readonly string[])[] = [
  [
    'CREATE TABLE screens (id TEXT PRIMARY KEY, name TEXT NOT NULL, role TEXT NOT NULL, session_hash TEXT NOT NULL UNIQUE, maker_id TEXT, paired_at TEXT NOT NULL, last_used_at TEXT NOT NULL)',
    'CREATE TABLE pins (maker_id TEXT PRIMARY KEY, salt TEXT NOT NULL, hash TEXT NOT NULL, failures INTEGER NOT NULL DEFAULT 0, locked_until TEXT)',
    'CREATE TABLE deeds (id INTEGER PRIMARY KEY AUTOINCREMENT, at TEXT NOT NULL, screen TEXT, maker_id TEXT, what TEXT NOT NULL)',
    'CREATE TABLE settings (key TEXT PRIMARY KEY, value TEXT NOT NULL)',
  ],
  ['CREATE TABLE seats (session_hash TEXT PRIMARY KEY, maker_id TEXT NOT NULL, last_used_at TEXT NOT NULL)'],
]

async function bringUpToDate(client: Client): Promise<void> {
  await client.execute('PRAGMA journal_mode = WAL')
  const { rows } = await client.execute('PRAGMA user_version')
  const have = Number(rows[0]?.['user_version'] ?? 0)
  for (let version = have; version < versions.length; version++)
    await client.batch([...versions[version]!, `PRAGMA user_version = ${version + 1}`], 'write')
}

/**
 * Who may come in stands in a file of its own: a backup that is put back lets nobody in again, and no archive carries it.
 */
export async function openAccess(folder: string) {
  const file = join(folder, 'access.sqlite')
  // Nobody else on this machine reads it.
  if (!existsSync(file)) writeFileSync(file, '', { mode: 0o600 })
  chmodSync(file, 0o600)
  const client = openFile(file)
  await bringUpToDate(client)
  return { db: drizzle(client, { schema: { screens, pins, seats, deeds, settings } }), close: () => client.close() }
}

export type AccessFile = Awaited<ReturnType<typeof openAccess>>
