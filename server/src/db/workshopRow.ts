import type { SavedWorkshop } from '@vendange/contract'
import type { Database, Reader } from './database'
import { newWorkshop } from './newWorkshop'
import { workshop } from './schema'

/** Puts the workshop's one row in place when the database is new. */
export async function ensureWorkshop(database: Database, timeZone: string): Promise<void> {
  await database.write(async (transaction) => {
    await transaction
      .insert(workshop)
      .values({ id: 1, version: 1, ...newWorkshop(timeZone) })
      .onConflictDoNothing()
  })
}

/** The workshop of this database. */
export async function readWorkshop(reader: Reader): Promise<SavedWorkshop> {
  const [row] = await reader.select().from(workshop)
  if (!row) throw new Error('Expected one row in the table workshop, got none')
  const { id: _, ...saved } = row
  return saved
}
