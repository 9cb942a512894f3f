import type { Row as LibsqlRow, Transaction } from '@libsql/client'
import { strToU8, Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import { closeSync, openSync, writeSync } from 'node:fs'
import { openFile } from '../db/openFile'
import type { Manifest } from './archiveFormat'
import { archiveFormat, hashOf, tablesQuery } from './archiveFormat'
import { textOf } from '../db/textOf'

const readme = `This archive holds all that a Vendange workshop keeps (docs/formats/archive.md).
manifest.json  what is in it, each file with its SHA-256
tables/*.json  a list of rows a table; columns as in schema.sql
photos/*       photographs by their id
schema.sql     the tables
`

const plain = (row: LibsqlRow): Record<string, unknown> => ({ ...row })

async function namesIn(transaction: Transaction): Promise<readonly string[]> {
  const { rows } = await transaction.execute(tablesQuery)
  return rows.map((row) => textOf(row['name']))
}

/**
 * Writes all that a workshop keeps into one file, as it stands at one moment; pictures go one at a time and are not
 * squeezed again.
 *
 * @param file the workshop's database
 * @param target where the archive is written
 * @param madeAt ISO 8601, UTC
 */
export async function writeArchive(file: string, target: string, madeAt: string): Promise<void> {
  const client = openFile(file)
  const out = openSync(target, 'w')
  try {
    const transaction = await client.transaction('read')
    const zip = new Zip((error, chunk) => {
      if (error) throw error
      writeSync(out, chunk)
    })
    const put = (name: string, bytes: Uint8Array, isSqueezed = true): void => {
      const entry = isSqueezed ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name)
      entry.mtime = new Date(madeAt)
      zip.add(entry)
      entry.push(bytes, true)
    }
    const ask = async (sql: string, args: readonly string[] = []) =>
      (await transaction.execute({ sql, args: [...args] })).rows

    put('README.txt', strToU8(readme))
    const schema = await ask('SELECT sql FROM sqlite_master ORDER BY name')
    put('schema.sql', strToU8(schema.flatMap(({ sql }) => (typeof sql === 'string' ? [sql] : [])).join(';\n')))
    const tables: Manifest['tables'] = []
    for (const name of await namesIn(transaction)) {
      const rows = await ask(`SELECT * FROM "${name}" ORDER BY rowid`)
      const bytes = strToU8(JSON.stringify(rows.map(plain)))
      const inZip = `tables/${name}.json`
      put(inZip, bytes)
      tables.push({ name, file: inZip, rows: rows.length, sha256: hashOf(bytes) })
    }
    const photos: Manifest['photos'] = []
    for (const { id } of await ask('SELECT id FROM photos ORDER BY id')) {
      const [photo] = await ask('SELECT * FROM photos WHERE id = ?', [textOf(id)])
      const bytes = new Uint8Array(photo?.['bytes'] as ArrayBuffer)
      const inZip = `photos/${textOf(id)}`
      put(inZip, bytes, false)
      photos.push({
        id: textOf(id),
        mimeType: textOf(photo?.['mime_type']) as Manifest['photos'][number]['mimeType'],
        at: textOf(photo?.['at']),
        makerId: textOf(photo?.['maker_id']),
        file: inZip,
        sha256: hashOf(bytes),
      })
    }
    const [newest] = await ask('SELECT max(created_at) AS newest FROM __drizzle_migrations')
    const migration = Number(newest?.['newest'] ?? 0)
    const manifest: Manifest = { format: archiveFormat, version: 1, madeAt, migration, tables, photos }
    put('manifest.json', strToU8(JSON.stringify(manifest, null, 2)))
    zip.end()
    transaction.close()
  } finally {
    closeSync(out)
    client.close()
  }
}
