import type { Client } from '@libsql/client'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { array, number, object } from 'yup'
import { home } from '../dataFolder'

export const ownMigrations = join(home, 'server/migrations')
const journalSchema = object({ entries: array(object({ when: number().required() }).required()).required() }).required()

/** When each change of tables was made that a version knows of. */
export function migrationTimes(migrationsFolder: string): readonly number[] {
  const journal: unknown = JSON.parse(readFileSync(join(migrationsFolder, 'meta/_journal.json'), 'utf8'))
  return journalSchema.validateSync(journal).entries.map(({ when }) => when)
}

/** Those of this version. */
export const ownMigrationTimes = (): readonly number[] => migrationTimes(ownMigrations)

/**
 * Makes the tables in an empty database as they were after the change made at a time; later ones may be made afterwards.
 *
 * @param time of one of {@link ownMigrationTimes}
 */
export async function bringUpTo(client: Client, time: number): Promise<void> {
  await client.execute(
    'CREATE TABLE IF NOT EXISTS __drizzle_migrations (id SERIAL PRIMARY KEY, hash text NOT NULL, created_at numeric)',
  )
  for (const { sql, hash, folderMillis } of readMigrationFiles({ migrationsFolder: ownMigrations })) {
    if (folderMillis > time) continue
    await client.migrate([
      ...sql,
      { sql: 'INSERT INTO __drizzle_migrations (hash, created_at) VALUES (?, ?)', args: [hash, folderMillis] },
    ])
  }
}
