import { createClient } from '@libsql/client'
import { closeSync, copyFileSync, existsSync, mkdirSync, openSync, readSync, renameSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'

/** What SQLite keeps beside a database while it is open, and after a crash. */
const companions = ['-wal', '-shm'] as const

// Bytes 18 and 19 of a database file: 1 where it is written through a rollback journal, 2 where through a log (WAL).
// https://www.sqlite.org/fileformat.html#the_database_header
const writeVersionAt = 18
const usesLog = 2

function writeVersionOf(file: string): number | undefined {
  const bytes = Buffer.alloc(1)
  const handle = openSync(file, 'r')
  try {
    return readSync(handle, bytes, 0, 1, writeVersionAt) === 1 ? bytes[0] : undefined
  } finally {
    closeSync(handle)
  }
}

/** The first of `name`, `name-2`, `name-3` … that nothing stands under yet. */
function freeName(name: string): string {
  let free = name
  for (let copy = 2; existsSync(free); copy++) free = `${name}-${copy}`
  return free
}

/**
 * Lays a log aside that belongs to another database than the file it lies beside: the workshop's own is written through
 * its log, a backup never is. SQLite would play the stale log into the backup that was put in place and spoil it.
 *
 * @returns names of what was laid aside
 */
export function layStaleLogAside(file: string): readonly string[] {
  if (!existsSync(file) || writeVersionOf(file) === usesLog) return []
  return companions.flatMap((ending) => {
    if (!existsSync(file + ending)) return []
    const aside = freeName(`${file}${ending}.stale`)
    renameSync(file + ending, aside)
    return [basename(aside)]
  })
}

/** A backup that cannot be put back, with why. */
export class RestoreRefused extends Error {
  override readonly name = 'RestoreRefused'
}

async function assertSound(backup: string): Promise<void> {
  if (!existsSync(backup)) throw new RestoreRefused(`There is no file ${backup}.`)
  const client = createClient({ url: `file:${backup}` })
  try {
    const check = await client.execute('PRAGMA quick_check(1)')
    const tables = await client.execute("SELECT name FROM sqlite_master WHERE name = '__drizzle_migrations'")
    if (check.rows[0]?.['quick_check'] !== 'ok' || tables.rows.length === 0) throw new Error('its tables are not ours')
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error)
    throw new RestoreRefused(
      `The file ${backup} is damaged or is no backup of Vendange (${reason}). Nothing was changed.`,
    )
  } finally {
    client.close()
  }
}

/**
 * Puts a backup in the place of the workshop's database. What stood there is kept, with its log, in a folder beside it.
 * The program must not be running.
 *
 * @returns the folder in which the replaced files are kept; undefined when there were none
 * @throws {RestoreRefused} if the backup is missing or damaged; nothing is changed then
 */
export async function restoreBackup(file: string, backup: string, now: Date): Promise<string | undefined> {
  await assertSound(backup)
  mkdirSync(dirname(file), { recursive: true })
  const standing = [file, ...companions.map((ending) => file + ending)].filter((one) => existsSync(one))
  const stamp = now.toISOString().slice(0, 19).replaceAll(':', '').replace('T', '-')
  const kept = standing.length > 0 ? freeName(join(dirname(file), `replaced-${stamp}`)) : undefined
  if (kept !== undefined) {
    mkdirSync(kept)
    // The log goes first: a database without its log is whole but older, a log without its database is neither.
    for (const one of [...standing].reverse()) renameSync(one, join(kept, basename(one)))
  }
  copyFileSync(backup, file)
  return kept
}
