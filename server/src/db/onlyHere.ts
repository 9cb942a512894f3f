import { createClient } from '@libsql/client'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { number, object } from 'yup'
import { DatabaseRefused } from './refusedFile'

const lockName = 'vendange.lock'
const tellName = 'vendange.open.json'
const tellSchema = object({ process: number().required(), port: number().required() })

/** A folder that this process alone works in. */
export interface Held {
  /** Says on which port, for one that comes second. */
  tell(port: number): void
  release(): void
}

function whoHolds(folder: string): string {
  try {
    const { process, port } = tellSchema.validateSync(JSON.parse(readFileSync(join(folder, tellName), 'utf8')))
    return `process ${process}, port ${port}: http://127.0.0.1:${port}`
  } catch {
    return 'another process'
  }
}

/**
 * Keeps a data folder for this process as long as it lives: two programs that write into one workshop would spoil it. The
 * lock is one of the operating system's, which lets it go when the process ends, however it ends.
 *
 * @throws {DatabaseRefused} if another process has it
 */
export async function holdFolder(folder: string): Promise<Held> {
  mkdirSync(folder, { recursive: true })
  const client = createClient({ url: `file:${join(folder, lockName)}` })
  try {
    const transaction = await client.transaction('write')
    await transaction.execute('CREATE TABLE IF NOT EXISTS held (at TEXT)')
    return {
      tell: (port) => writeFileSync(join(folder, tellName), JSON.stringify({ process: process.pid, port })),
      release: () => {
        transaction.close()
        client.close()
        if (existsSync(join(folder, tellName))) rmSync(join(folder, tellName))
      },
    }
  } catch (error) {
    client.close()
    if (error instanceof Error && 'code' in error && String(error.code).startsWith('SQLITE_BUSY'))
      throw new DatabaseRefused(
        `This workshop is open already: ${whoHolds(folder)}. Work there, or end it first. Nothing was changed.`,
      )
    throw error
  }
}
