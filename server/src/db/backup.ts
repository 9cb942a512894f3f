import type { Client } from '@libsql/client'
import { existsSync, mkdirSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'

/** Keeps a compact, consistent copy of the database named by date and time. @returns the copy's file name */
export async function keepBackup(client: Client, folder: string, now: Date, label: string): Promise<string> {
  mkdirSync(folder, { recursive: true })
  const stamp = now.toISOString().slice(0, 19).replaceAll(':', '').replace('T', '-')
  let fileName = `vendange-${stamp}-${label}.sqlite`
  for (let copy = 2; existsSync(join(folder, fileName)); copy++) fileName = `vendange-${stamp}-${label}-${copy}.sqlite`
  await client.execute({ sql: 'VACUUM INTO ?', args: [join(folder, fileName)] })
  return fileName
}

/** The backups in a folder, newest first. */
export function listBackups(folder: string): readonly { readonly fileName: string; readonly bytes: number }[] {
  if (!existsSync(folder)) return []
  return readdirSync(folder)
    .filter((fileName) => fileName.endsWith('.sqlite'))
    .sort()
    .reverse()
    .map((fileName) => ({ fileName, bytes: statSync(join(folder, fileName)).size }))
}
