import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Database } from '../src/db/database'
import { openDatabase } from '../src/db/database'
import { seedDemo } from '../src/demo/seedDemo'

const fileName = 'vendange.sqlite'
const open = (folder: string): Promise<Database> =>
  openDatabase({ file: join(folder, fileName), backupFolder: join(folder, 'backups'), now: () => new Date() })

/** Fills a demo's workshop anew, in a folder of its own. */
export async function seedAnew(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'vendange-demo-'))
  const database = await open(folder)
  await seedDemo(database)
  await database.close()
  return folder
}

let made: Promise<string> | undefined
after(async () => {
  if (made) rmSync(await made, { recursive: true, force: true })
})

const madeBefore = process.env['VENDANGE_MADE_DEMO']

/** A database with the demo in it, copied from one that is made once for all tests. @param from the folder to copy */
export async function openDemo(from?: string): Promise<{ database: Database; dispose: () => Promise<void> }> {
  const folder = mkdtempSync(join(tmpdir(), 'vendange-'))
  cpSync(from ?? madeBefore ?? (await (made ??= seedAnew())), folder, { recursive: true })
  const database = await open(folder)
  return {
    database,
    dispose: async () => {
      await database.close()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
