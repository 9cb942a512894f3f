import type { Sentence } from '@vendange/core/findings'
import { sentence } from '@vendange/core/findings'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { createHash } from 'node:crypto'
import type { InferType } from 'yup'
import { array, number, object, string } from 'yup'

export const archiveFormat = 'vendange-archive'

/** Tables in the order in which they are brought back; photographs go as files of their own. */
export const archivedTables = [
  'makers',
  'workshop',
  'moulds',
  'own_fats',
  'recipes',
  'recipe_versions',
  'collections',
  'designs',
  'orders',
  'ingredients',
  'lots',
  'batches',
  'bench_records',
  'lot_uses',
  'loaves',
  'loaf_events',
  'day_ticks',
  'room_readings',
  'shop_offers',
  'shop_sales',
] as const

const fileSchema = object({ file: string().required(), sha256: string().length(64).required() })
const manifestSchema = object({
  format: string().oneOf([archiveFormat]).required(),
  version: number().integer().oneOf([1]).required(),
  madeAt: string().required(),
  /** When the newest change of tables was made that its program knew. */
  migration: number().required(),
  tables: array(
    fileSchema.shape({ name: string().required(), rows: number().integer().min(0).required() }).required(),
  ).required(),
  photos: array(
    fileSchema
      .shape({
        id: string().required(),
        mimeType: string().required(),
        at: string().required(),
        makerId: string().required(),
      })
      .required(),
  ).required(),
})
type Manifest = InferType<typeof manifestSchema>

export type Row = Readonly<Record<string, unknown>>

/** All that a workshop keeps. */
export interface ArchiveContent {
  readonly tables: Readonly<Record<string, readonly Row[]>>
  readonly photos: readonly {
    readonly id: string
    readonly mimeType: string
    readonly at: string
    readonly makerId: string
    readonly bytes: Uint8Array
  }[]
  /** The tables as SQL, for who reads the archive without this program. */
  readonly schemaSql: string
  readonly migration: number
  readonly madeAt: string
}

/** An archive that cannot be brought back, with why. */
export class ArchiveRefused extends Error {
  override readonly name = 'ArchiveRefused'

  constructor(readonly told: Sentence) {
    super(told.code)
  }
}

const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

const readme = `This archive holds all that a Vendange workshop keeps (docs/formats/archive.md).
manifest.json  what is in it, each file with its SHA-256
tables/*.json  a list of rows a table; columns as in schema.sql
photos/*       photographs by their id
schema.sql     the tables
`

/** Packs a workshop into one file. Pictures are not squeezed again. */
export function packArchive({ tables, photos, schemaSql, migration, madeAt }: ArchiveContent): Uint8Array {
  const files: Record<string, Uint8Array> = { 'README.txt': strToU8(readme), 'schema.sql': strToU8(schemaSql) }
  const manifest: Manifest = {
    format: archiveFormat,
    version: 1,
    madeAt,
    migration,
    tables: Object.entries(tables).map(([name, rows]) => {
      const bytes = strToU8(JSON.stringify(rows))
      files[`tables/${name}.json`] = bytes
      return { name, file: `tables/${name}.json`, rows: rows.length, sha256: hashOf(bytes) }
    }),
    photos: photos.map(({ bytes, ...photo }) => {
      files[`photos/${photo.id}`] = bytes
      return { ...photo, file: `photos/${photo.id}`, sha256: hashOf(bytes) }
    }),
  }
  files['manifest.json'] = strToU8(JSON.stringify(manifest, null, 2))
  return zipSync(files, { level: 6, mtime: new Date(madeAt) })
}

function unzipped(bytes: Uint8Array): Record<string, Uint8Array> {
  try {
    return unzipSync(bytes)
  } catch {
    throw new ArchiveRefused(sentence('archive_cut_off'))
  }
}

/** Reads an archive, every file held against its hash. @throws {ArchiveRefused} */
export function unpackArchive(bytes: Uint8Array, newestMigration: number): Omit<ArchiveContent, 'schemaSql'> {
  const files = unzipped(bytes)
  const whole = (file: string, sha256: string): Uint8Array => {
    const found = files[file]
    if (!found) throw new ArchiveRefused(sentence('archive_lacks', { file }))
    if (hashOf(found) !== sha256) throw new ArchiveRefused(sentence('archive_other_hash', { file }))
    return found
  }
  let manifest: Manifest
  try {
    manifest = manifestSchema.validateSync(JSON.parse(strFromU8(files['manifest.json'] ?? new Uint8Array())))
  } catch {
    throw new ArchiveRefused(sentence('archive_no_manifest'))
  }
  if (manifest.migration > newestMigration) throw new ArchiveRefused(sentence('archive_newer'))
  return {
    migration: manifest.migration,
    madeAt: manifest.madeAt,
    tables: Object.fromEntries(
      manifest.tables.map(({ name, file, sha256, rows }) => {
        const read = JSON.parse(strFromU8(whole(file, sha256))) as readonly Row[]
        if (read.length !== rows)
          throw new ArchiveRefused(sentence('archive_rows', { file, found: read.length, wanted: rows }))
        return [name, read]
      }),
    ),
    photos: manifest.photos.map(({ id, mimeType, at, makerId, file, sha256 }) => ({
      id,
      mimeType,
      at,
      makerId,
      bytes: whole(file, sha256),
    })),
  }
}
