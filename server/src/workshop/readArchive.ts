import type { Client } from '@libsql/client'
import type { ArchiveTaken } from '@vendange/contract'
import type { Sentence } from '@vendange/core/findings'
import { sentence } from '@vendange/core/findings'
import { migrate } from 'drizzle-orm/libsql/migrator'
import { strFromU8 } from 'fflate'
import { openFile } from '../db/openFile'
import { firstDamage } from '../db/damage/findDamage'
import { drizzleOver } from '../db/drizzle'
import { bringUpTo, ownMigrations, ownMigrationTimes } from '../db/migrations'
import { isWholePicture, pictureType } from '../parts/pictures'
import { firstUnlikeItsEvents } from '../db/projections'
import type { ArchiveFiles } from './archiveFiles'
import { openArchive } from './archiveFiles'
import type { Manifest, Row } from './archiveFormat'
import { ArchiveRefused, manifestSchema, tablesQuery } from './archiveFormat'
import { textOf } from '../db/textOf'

async function readManifest(files: ArchiveFiles): Promise<Manifest> {
  if (!files.names.includes('manifest.json')) throw new ArchiveRefused(sentence('archive_no_manifest'))
  const text = strFromU8(await files.read('manifest.json'))
  try {
    return await manifestSchema.validate(JSON.parse(text), { strict: true })
  } catch {
    throw new ArchiveRefused(sentence('archive_no_manifest'))
  }
}

/** That an archive holds the files its manifest names, each once, and no others. */
function refuseOtherFiles({ names }: ArchiveFiles, { tables, photos }: Manifest): void {
  const wanted = [...tables, ...photos].map(({ file }) => file)
  const misplaced =
    tables.find(({ name, file }) => file !== `tables/${name}.json`)?.file ??
    photos.find(({ id, file }) => file !== `photos/${id}`)?.file ??
    wanted.find((file, at) => wanted.indexOf(file) !== at)
  if (misplaced !== undefined) throw new ArchiveRefused(sentence('archive_strange_file', { file: misplaced }))
  const known = new Set([...wanted, 'manifest.json', 'README.txt', 'schema.sql'])
  const strange = names.find((name) => !known.has(name))
  if (strange !== undefined) throw new ArchiveRefused(sentence('archive_strange_file', { file: strange }))
}

const isPlain = (value: unknown): boolean =>
  value === null ||
  typeof value === 'string' ||
  (typeof value === 'number' && Number.isFinite(value) && Math.abs(value) <= Number.MAX_SAFE_INTEGER)

const isRow = (value: unknown): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value)

/** The rows of a table as they stand in the archive. @throws {ArchiveRefused} naming the row */
async function rowsOf(files: ArchiveFiles, table: Manifest['tables'][number], columns: readonly string[]) {
  const { name, file, rows: wanted, sha256 } = table
  let read: unknown
  try {
    read = JSON.parse(strFromU8(await files.read(file, sha256)))
  } catch (error) {
    if (error instanceof ArchiveRefused) throw error
    throw new ArchiveRefused(sentence('archive_table_unread', { table: name }))
  }
  if (!Array.isArray(read)) throw new ArchiveRefused(sentence('archive_table_unread', { table: name }))
  if (read.length !== wanted) throw new ArchiveRefused(sentence('archive_rows', { file, found: read.length, wanted }))
  for (const [at, row] of (read as readonly unknown[]).entries()) {
    if (!isRow(row)) throw new ArchiveRefused(sentence('archive_row', { table: name, row: at + 1 }))
    const strange = Object.keys(row).find((column) => !columns.includes(column))
    if (strange !== undefined)
      throw new ArchiveRefused(sentence('archive_column', { table: name, column: strange.slice(0, 80) }))
    const wrong = columns.find((column) => !Object.hasOwn(row, column) || !isPlain(row[column]))
    if (wrong !== undefined)
      throw new ArchiveRefused(sentence('archive_field', { table: name, row: at + 1, column: wrong }))
  }
  return read as readonly Row[]
}

async function columnsOf(client: Client, table: string): Promise<readonly string[]> {
  const { rows } = await client.execute({ sql: 'SELECT name FROM pragma_table_info(?)', args: [table] })
  return rows.map((row) => textOf(row['name']))
}

/** Puts rows in, and holds each against what the table made of it: a text in a column of numbers is no number. */
async function takeTable(client: Client, name: string, columns: readonly string[], rows: readonly Row[]) {
  const names = columns.map((column) => `"${column}"`).join(', ')
  const places = columns.map(() => '?').join(', ')
  const sql = `INSERT INTO "${name}" (${names}) VALUES (${places})`
  const rowsAtOnce = 500
  for (let from = 0; from < rows.length; from += rowsAtOnce)
    try {
      await client.batch(
        rows
          .slice(from, from + rowsAtOnce)
          .map((row) => ({ sql, args: columns.map((column) => row[column] as string | number | null) })),
        'write',
      )
    } catch {
      throw new ArchiveRefused(sentence('archive_table_unread', { table: name }))
    }
  const { rows: kept } = await client.execute(`SELECT * FROM "${name}" ORDER BY rowid`)
  for (const [at, row] of rows.entries()) {
    const wrong = columns.find((column) => kept[at]?.[column] !== row[column])
    if (wrong !== undefined)
      throw new ArchiveRefused(sentence('archive_field', { table: name, row: at + 1, column: wrong }))
  }
}

async function takePhotos(client: Client, files: ArchiveFiles, { photos }: Manifest): Promise<void> {
  for (const { id, mimeType, at, makerId, file, sha256 } of photos) {
    const bytes = Buffer.from(await files.read(file, sha256))
    // A picture is what its bytes are, whatever it is said to be.
    const isPicture = pictureType(bytes) === mimeType && isWholePicture(bytes, mimeType)
    if (!isPicture || Number.isNaN(Date.parse(at))) throw new ArchiveRefused(sentence('archive_no_picture', { file }))
    await client.execute({
      sql: 'INSERT INTO photos (id, mime_type, bytes, at, maker_id) VALUES (?, ?, ?, ?, ?)',
      args: [id, mimeType, new Uint8Array(bytes), at, makerId],
    })
  }
}

async function countOf(client: Client, table: string): Promise<number> {
  const { rows } = await client.execute(`SELECT count(*) AS count FROM "${table}"`)
  return Number(rows[0]?.['count'])
}

/** Builds what an archive holds as a database of its own. @throws {ArchiveRefused} */
async function build(client: Client, files: ArchiveFiles): Promise<ArchiveTaken> {
  const manifest = await readManifest(files)
  const { migration, tables } = manifest
  if (migration > Math.max(...ownMigrationTimes())) throw new ArchiveRefused(sentence('archive_newer'))
  if (!ownMigrationTimes().includes(migration)) throw new ArchiveRefused(sentence('archive_no_manifest'))
  refuseOtherFiles(files, manifest)
  // The tables as its own program had them; later changes of tables are made with its rows in them.
  await bringUpTo(client, migration)
  await client.execute('PRAGMA foreign_keys = OFF')
  const known = (await client.execute(tablesQuery)).rows.map((row) => textOf(row['name']))
  const strange = tables.find(({ name }) => !known.includes(name))
  if (strange) throw new ArchiveRefused(sentence('archive_table', { table: strange.name }))
  for (const name of known) {
    const table = tables.find((one) => one.name === name)
    if (!table) throw new ArchiveRefused(sentence('archive_lacks', { file: `tables/${name}.json` }))
    const columns = await columnsOf(client, name)
    await takeTable(client, name, columns, await rowsOf(files, table, columns))
  }
  await takePhotos(client, files, manifest)
  await migrate(drizzleOver(client), { migrationsFolder: ownMigrations })
  const db = drizzleOver(client)
  const [dangling] = (await client.execute('PRAGMA foreign_key_check')).rows
  if (dangling)
    throw new ArchiveRefused(
      sentence('archive_points_nowhere', { table: textOf(dangling['table']), row: Number(dangling['rowid']) }),
    )
  const damage = await firstDamage(db)
  if (damage)
    throw new ArchiveRefused(
      sentence('archive_damaged', {
        table: damage.table,
        name: damage.name,
        fields: damage.fields.map(({ field }) => field).join(', '),
      }),
    )
  if ((await countOf(client, 'workshop')) !== 1)
    throw new ArchiveRefused(sentence('archive_lacks', { file: 'the workshop itself' }))
  // What an earlier version kept of a loaf, it may have reckoned otherwise.
  const unlike = migration === Math.max(...ownMigrationTimes()) ? await firstUnlikeItsEvents(db) : undefined
  if (unlike !== undefined) throw new ArchiveRefused(sentence('archive_unlike_events', { name: unlike }))
  await client.execute('PRAGMA wal_checkpoint(TRUNCATE)')
  return {
    loaves: await countOf(client, 'loaves'),
    events: await countOf(client, 'loaf_events'),
    photos: manifest.photos.length,
  }
}

/**
 * Builds a database of what an archive holds, every row of it held against what it should be. Nothing of the workshop is
 * touched.
 *
 * @param archive the archive's file
 * @param scratch where the database is made; nothing may stand there
 * @returns what was taken, or why it cannot be
 */
export async function readArchive(
  archive: string,
  scratch: string,
): Promise<{ readonly taken: ArchiveTaken } | { readonly refused: Sentence }> {
  let files: ArchiveFiles | undefined
  const client = openFile(scratch)
  try {
    files = await openArchive(archive)
    return { taken: await build(client, files) }
  } catch (error) {
    if (error instanceof ArchiveRefused) return { refused: error.told }
    throw error
  } finally {
    files?.close()
    client.close()
  }
}
