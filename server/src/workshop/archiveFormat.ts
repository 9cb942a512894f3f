import { idPattern } from '@vendange/contract'
import type { Sentence } from '@vendange/core/findings'
import { createHash } from 'node:crypto'
import type { InferType } from 'yup'
import { array, number, object, string } from 'yup'

export const archiveFormat = 'vendange-archive'
/** Pictures go as files of their own; how far the tables are is told by the manifest. */
export const tablesApart: readonly string[] = ['photos', '__drizzle_migrations']

const hash = () =>
  string()
    .matches(/^[0-9a-f]{64}$/)
    .required()
const manifestOfFile = { file: string().max(200).required(), sha256: hash() }

export const manifestSchema = object({
  format: string().oneOf([archiveFormat]).required(),
  version: number().integer().oneOf([1]).required(),
  madeAt: string().max(40).required(),
  /** When the newest change of tables was made that its program knew. */
  migration: number().integer().required(),
  tables: array(
    object({
      ...manifestOfFile,
      name: string().max(64).required(),
      rows: number().integer().min(0).max(1e7).required(),
    })
      .noUnknown()
      .required(),
  )
    .max(100)
    .required(),
  photos: array(
    object({
      ...manifestOfFile,
      id: string().matches(idPattern).required(),
      mimeType: string().oneOf(['image/jpeg', 'image/png', 'image/webp']).required(),
      at: string().max(40).required(),
      makerId: string().matches(idPattern).required(),
    })
      .noUnknown()
      .required(),
  )
    .max(200_000)
    .required(),
})
  .noUnknown()
  .required()
export type Manifest = InferType<typeof manifestSchema>

export type Row = Readonly<Record<string, unknown>>

/** An archive that cannot be brought back, with why. */
export class ArchiveRefused extends Error {
  override readonly name = 'ArchiveRefused'

  constructor(readonly told: Sentence) {
    super(told.code)
  }
}

export const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

/** Names of the tables that go into an archive, in the order of their names, as SQL. */
export const tablesQuery = `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'
  AND name NOT IN (${tablesApart.map((name) => `'${name}'`).join(', ')}) ORDER BY name`
