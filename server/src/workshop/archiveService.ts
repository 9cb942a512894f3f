import { sentence } from '@vendange/core/findings'
import type { ArchiveTaken } from '@vendange/contract'
import { sql } from 'drizzle-orm'
import type { Transaction } from '../db/database'
import { batches, designs, photos } from '../db/schema'
import type { Context } from '../parts/context'
import { unprocessable } from '../parts/problems'
import type { Row } from './archive'
import { archivedTables, ArchiveRefused, packArchive, unpackArchive } from './archive'

export interface ArchiveService {
  /** All that the workshop keeps, as one file. */
  make(): Promise<Uint8Array>
  /** Brings an archive back into a workshop that has nothing yet. @throws 422 */
  take(bytes: Uint8Array): Promise<ArchiveTaken>
}

const known = new Set<string>(archivedTables)

async function columnsOf(transaction: Transaction, table: string): Promise<ReadonlySet<string>> {
  const rows = await transaction.all<{ name: string }>(sql.raw(`SELECT name FROM pragma_table_info('${table}')`))
  return new Set(rows.map(({ name }) => name))
}

const newestMigration = async (transaction: Transaction): Promise<number> => {
  const [row] = await transaction.all<{ newest: number }>(
    sql`SELECT max(created_at) AS newest FROM __drizzle_migrations`,
  )
  return Number(row?.newest ?? 0)
}

async function insertRows(transaction: Transaction, table: string, rows: readonly Row[]): Promise<void> {
  const columns = await columnsOf(transaction, table)
  for (const row of rows) {
    const entries = Object.entries(row)
    const strange = entries.find(([name]) => !columns.has(name))
    if (strange) throw new ArchiveRefused(sentence('archive_column', { table, column: strange[0] }))
    const names = sql.join(
      entries.map(([name]) => sql.identifier(name)),
      sql`, `,
    )
    const values = sql.join(
      entries.map(([, value]) => sql`${value}`),
      sql`, `,
    )
    await transaction.run(sql`INSERT INTO ${sql.identifier(table)} (${names}) VALUES (${values})`)
  }
}

export function archiveService({ database, clock }: Context): ArchiveService {
  return {
    make: async () => {
      // One transaction sees one moment.
      const content = await database.write(async (transaction) => {
        const tables: Record<string, readonly Row[]> = {}
        for (const name of archivedTables)
          tables[name] = (await transaction.all<Row>(sql.raw(`SELECT * FROM ${name} ORDER BY rowid`))).map((row) => ({
            ...row,
          }))
        const schema = await transaction.all<{ sql: string | null }>(sql`SELECT sql FROM sqlite_master ORDER BY name`)
        return {
          tables,
          schemaSql: schema.flatMap((one) => one.sql ?? []).join(';\n'),
          photos: await transaction.select().from(photos).orderBy(photos.id),
          migration: await newestMigration(transaction),
          madeAt: clock.now().toISOString(),
        }
      })
      return packArchive(content)
    },

    take: async (bytes) => {
      try {
        return await database.write(async (transaction) => {
          const content = unpackArchive(bytes, await newestMigration(transaction))
          const [design] = await transaction.select({ id: designs.id }).from(designs).limit(1)
          const [batch] = await transaction.select({ id: batches.id }).from(batches).limit(1)
          if (design || batch) throw new ArchiveRefused(sentence('archive_not_empty'))
          await transaction.run(sql`PRAGMA defer_foreign_keys = ON`)
          for (const name of [...archivedTables].reverse()) await transaction.run(sql.raw(`DELETE FROM ${name}`))
          for (const name of archivedTables) await insertRows(transaction, name, content.tables[name] ?? [])
          const strange = Object.keys(content.tables).find((name) => !known.has(name))
          if (strange !== undefined) throw new ArchiveRefused(sentence('archive_table', { table: strange }))
          for (const { bytes: picture, ...photo } of content.photos)
            await transaction.insert(photos).values({ ...photo, bytes: Buffer.from(picture) })
          return {
            loaves: content.tables['loaves']?.length ?? 0,
            events: content.tables['loaf_events']?.length ?? 0,
            photos: content.photos.length,
          }
        })
      } catch (error) {
        if (error instanceof ArchiveRefused)
          throw unprocessable(error.told, [{ field: 'archive', message: error.told }])
        throw error
      }
    },
  }
}
