import { addDays, mondayOf } from '@vendange/core/calendar'
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { openFile } from './openFile'
import { inFileName, syncFile, syncFolder } from './durable'
import { textOf } from './textOf'

/** Ending of a copy that is not whole yet. */
export const partEnding = '.part'
/** Names that only this program gives, each with what SQLite lays beside it. */
const unfinishedPattern = /^(?:vendange|archive)[-.].*\.part(?:-\w+)?$/
const namePattern = /^vendange-(\d{4}-\d{2}-\d{2})-\d{6}-[\w-]+\.sqlite$/

/**
 * Copies a database as it stands at one moment, held against its own checks; whoever writes meanwhile goes on.
 *
 * @param file the database
 * @param target where the copy goes; nothing may stand there
 */
export async function copyDatabase(file: string, target: string): Promise<void> {
  const source = openFile(file)
  try {
    await source.execute({ sql: 'VACUUM INTO ?', args: [target] })
  } finally {
    source.close()
  }
  const copy = openFile(target)
  try {
    const check = await copy.execute('PRAGMA quick_check(1)')
    const health = check.rows[0]?.['quick_check']
    if (health !== 'ok') throw new Error(`The copy ${target} is not sound: ${textOf(health)}`)
  } finally {
    copy.close()
  }
  syncFile(target)
}

/** Puts away files that a crash cut off: copies, archives, and what an archive was being unpacked into. */
export function clearUnfinished(folder: string): void {
  if (!existsSync(folder)) return
  for (const name of readdirSync(folder))
    if (unfinishedPattern.test(name)) rmSync(join(folder, name), { force: true, recursive: true })
}

/**
 * Keeps a compact, consistent copy of the database named by date and time. It gets its name once it is whole.
 *
 * @param copy how it is copied: {@link copyDatabase}, here or in a thread of its own
 * @param spare names of backups that are needed yet, however old
 * @returns the copy's file name
 */
export async function keepBackup(
  file: string,
  folder: string,
  now: Date,
  label: string,
  { copy = copyDatabase, spare = [] }: { readonly copy?: typeof copyDatabase; readonly spare?: readonly string[] } = {},
): Promise<string> {
  mkdirSync(folder, { recursive: true })
  const stamp = inFileName(now)
  let fileName = `vendange-${stamp}-${label}.sqlite`
  for (let at = 2; existsSync(join(folder, fileName)); at++) fileName = `vendange-${stamp}-${label}-${at}.sqlite`
  const part = join(folder, fileName + partEnding)
  rmSync(part, { force: true })
  try {
    await copy(file, part)
    renameSync(part, join(folder, fileName))
  } catch (error) {
    rmSync(part, { force: true })
    throw error
  }
  syncFolder(folder)
  thinBackups(folder, now, spare)
  return fileName
}

/** A backup, as it is kept. */
export interface Backup {
  readonly fileName: string
  readonly bytes: number
}

/** The backups in a folder, newest first. */
export function listBackups(folder: string): readonly Backup[] {
  if (!existsSync(folder)) return []
  return readdirSync(folder)
    .filter((fileName) => fileName.endsWith('.sqlite'))
    .map((fileName) => ({ fileName, bytes: statSync(join(folder, fileName)).size }))
    .filter(({ bytes }) => bytes > 0)
    .sort((a, b) => (a.fileName < b.fileName ? 1 : -1))
}

const daysOfAll = 7
const daysOfWeekly = 365

/**
 * Backups that are not needed any more: kept are all of the last seven days, then the newest of each week for a year. A
 * file of another name is nobody's to take away.
 *
 * @param names their file names, in any order
 */
export function backupsToThin(names: readonly string[], today: string): readonly string[] {
  const weeks = new Set<string>()
  const thinned: string[] = []
  for (const name of [...names].sort().reverse()) {
    const day = namePattern.exec(name)?.[1]
    if (day === undefined || day > addDays(today, -daysOfAll)) continue
    const week = mondayOf(day)
    if (day <= addDays(today, -daysOfWeekly) || weeks.has(week)) thinned.push(name)
    weeks.add(week)
  }
  return thinned
}

function thinBackups(folder: string, now: Date, spare: readonly string[]): void {
  const names = listBackups(folder).flatMap(({ fileName }) => (spare.includes(fileName) ? [] : [fileName]))
  for (const name of backupsToThin(names, now.toISOString().slice(0, 10))) rmSync(join(folder, name), { force: true })
}
