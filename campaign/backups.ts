import { createClient as openFile } from '@libsql/client'
import { cpSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { WorkshopProcess } from '../e2e/server'
import type { Dice } from './dice'
import { send } from './send'

/** What came of backups that were cut off. */
export interface BackupTally {
  asked: number
  listed: number
  /** Listed ones that do not restore, each with why. */
  readonly broken: string[]
}

export const noBackups = (): BackupTally => ({ asked: 0, listed: 0, broken: [] })
const today = '2027-03-08'

async function listed(url: string): Promise<readonly string[]> {
  const { bytes } = await send(url, { method: 'GET', path: '/api/backups', headers: {} })
  return (JSON.parse(bytes.toString()) as readonly { readonly fileName: string }[]).map(({ fileName }) => fileName)
}

/** Whether a file is a whole workshop of its own, with as many rows of everything as one of its own has. */
async function whyNotWhole(file: string): Promise<string | undefined> {
  const copy = mkdtempSync(join(tmpdir(), 'vendange-backup-'))
  cpSync(file, join(copy, 'x.sqlite'))
  const client = openFile({ url: `file:${join(copy, 'x.sqlite')}` })
  try {
    const check = await client.execute('PRAGMA integrity_check')
    const rows = await client.execute(
      'SELECT (SELECT count(*) FROM designs) AS designs, (SELECT count(*) FROM workshop) AS one',
    )
    if (check.rows[0]?.['integrity_check'] !== 'ok') return 'it is not sound'
    return Number(rows.rows[0]?.['designs']) > 0 && rows.rows[0]?.['one'] === 1 ? undefined : 'it lacks its soaps'
  } catch (error) {
    return String(error)
  } finally {
    client.close()
    rmSync(copy, { recursive: true, force: true })
  }
}

/** Backups asked for while the server is killed: those that are listed afterwards must all be whole, and go back. */
export async function cutBackupsOff(dice: Dice, count: number, tally: BackupTally): Promise<void> {
  const workshop = new WorkshopProcess()
  workshop.seedDemo()
  await workshop.start(today)
  const seen = new Set<string>()
  try {
    while (tally.asked < count) {
      const asking = Array.from({ length: 3 }, () =>
        send(workshop.url, { method: 'POST', path: '/api/backups', headers: {} }).catch(() => undefined),
      )
      tally.asked += asking.length
      await wait(dice.random() * 900)
      await workshop.kill()
      await Promise.all(asking)
      await workshop.start(today)
      for (const name of await listed(workshop.url)) {
        if (seen.has(name)) continue
        seen.add(name)
        tally.listed += 1
        const why = await whyNotWhole(join(workshop.folder, 'backups', name))
        if (why !== undefined) tally.broken.push(`${name}: ${why}`)
      }
      const parts = readdirSync(join(workshop.folder, 'backups')).filter((name) => !name.endsWith('.sqlite'))
      if (parts.length > 0) tally.broken.push(`Left lying: ${parts.join(', ')}`)
      // One of them goes back through the server itself.
      const names = [...seen]
      if (names.length === 0 || !dice.chance(0.2)) continue
      const path = `/api/backups/${dice.one(names)}/restore`
      const { status, bytes } = await send(workshop.url, { method: 'POST', path, headers: {} })
      if (status !== 200) tally.broken.push(`${path} answers ${status}: ${bytes.toString().slice(0, 200)}`)
    }
  } finally {
    await workshop.dispose()
  }
}
