import { basename, join, resolve } from 'node:path'
import { existsSync } from 'node:fs'
import { dataFolder } from './dataFolder'
import { holdFolder } from './db/onlyHere'
import { DatabaseRefused, RestoreRefused } from './db/refusedFile'
import { restoreBackup } from './db/restore'

/** Puts a backup in place: named by its path, or by its name in the folder “backups”. */
const [wanted] = process.argv.slice(2)
const folder = dataFolder()
try {
  if (wanted === undefined) throw new RestoreRefused('Say which backup: npm run restore -- vendange-….sqlite')
  const inBackups = join(folder, 'backups', basename(wanted))
  const backup = existsSync(resolve(wanted)) ? resolve(wanted) : inBackups
  const held = await holdFolder(folder)
  const kept = await restoreBackup(join(folder, 'vendange.sqlite'), backup, new Date())
  held.release()
  console.log(`${basename(backup)} is in place; start Vendange again.`)
  if (kept !== undefined) console.log(`What stood there before is kept in ${kept}.`)
} catch (error) {
  if (!(error instanceof RestoreRefused || error instanceof DatabaseRefused)) throw error
  console.error(error.message)
  process.exitCode = 2
}
