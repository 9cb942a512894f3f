import { closeSync, copyFileSync, existsSync, mkdirSync, openSync, readdirSync, readSync, renameSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { openFile } from './openFile'
import { inFileName, syncFile, syncFolder } from './durable'
import { RestoreRefused } from './refusedFile'

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

async function assertSound(backup: string): Promise<void> {
  if (!existsSync(backup)) throw new RestoreRefused(`There is no file ${backup}.`)
  const client = openFile(backup)
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

/** The backup that is to take the place, whole, while what stands there is laid aside. */
const restoringEnding = '.restoring'
const replacedStart = 'replaced-'

/** The folder that what is replaced goes to; a log whose database went there before it was cut off follows it. */
function folderFor(file: string, standing: readonly string[], now: Date): string {
  const parent = dirname(file)
  const begun = readdirSync(parent)
    .filter((name) => name.startsWith(replacedStart) && existsSync(join(parent, name, basename(file))))
    .sort()
    .at(-1)
  if (!standing.includes(file) && begun !== undefined) return join(parent, begun)
  return freeName(join(parent, `${replacedStart}${inFileName(now)}`))
}

/**
 * Lays aside what stands in the place of a database and puts there what waits for it. A restore that was cut off goes on
 * from wherever it was: as long as something waits, it is what was wished for.
 *
 * @returns the folder in which the replaced files are kept; undefined when there were none, or nothing waits
 */
export function finishRestore(file: string, now: Date): string | undefined {
  if (!existsSync(file + restoringEnding)) return undefined
  const standing = [file, ...companions.map((ending) => file + ending)].filter((one) => existsSync(one))
  const kept = standing.length > 0 ? folderFor(file, standing, now) : undefined
  if (kept !== undefined) {
    mkdirSync(kept, { recursive: true })
    for (const one of standing) renameSync(one, join(kept, basename(one)))
    syncFolder(kept)
  }
  renameSync(file + restoringEnding, file)
  syncFolder(dirname(file))
  return kept
}

/**
 * Makes a backup wait for its place: from here on it is what the next start opens.
 *
 * @throws {RestoreRefused} if the backup is missing or damaged; nothing is changed then
 */
export async function layReady(file: string, backup: string): Promise<void> {
  await assertSound(backup)
  mkdirSync(dirname(file), { recursive: true })
  const part = `${file}${restoringEnding}.part`
  copyFileSync(backup, part)
  syncFile(part)
  renameSync(part, file + restoringEnding)
  syncFolder(dirname(file))
}

/**
 * Puts a backup in the place of the workshop's database. What stood there is kept, with its log, in a folder beside it.
 * Nothing may have the database open.
 *
 * @returns the folder in which the replaced files are kept; undefined when there were none
 * @throws {RestoreRefused} if the backup is missing or damaged; nothing is changed then
 */
export async function restoreBackup(file: string, backup: string, now: Date): Promise<string | undefined> {
  await layReady(file, backup)
  return finishRestore(file, now)
}
