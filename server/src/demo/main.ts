import { existsSync, renameSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { openDatabase } from '../db/database'
import { demoToday } from './scenario/workshop'
import { seedDemo } from './seedDemo'

// Makes the demo's database when it is missing, or anew with --fresh.
const dataFolder = resolve(process.env['VENDANGE_DATA'] ?? 'data/demo')
const file = join(dataFolder, 'vendange.sqlite')
if (process.argv.includes('--fresh')) rmSync(dataFolder, { recursive: true, force: true })
if (!existsSync(file)) {
  const fresh = join(dataFolder, 'seeding.sqlite')
  rmSync(fresh, { force: true })
  const database = await openDatabase({
    file: fresh,
    backupFolder: join(dataFolder, 'backups'),
    now: () => new Date(`${demoToday}T12:00:00Z`),
  })
  await seedDemo(database)
  await database.close()
  renameSync(fresh, file)
  console.log('The demo workshop is set up.')
}
