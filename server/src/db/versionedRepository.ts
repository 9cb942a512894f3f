import type { Finding, Sentence } from '@vendange/core/findings'
import { isRefused, sentence } from '@vendange/core/findings'
import { and, asc, eq } from 'drizzle-orm'
import type { SQLiteColumn, SQLiteTable } from 'drizzle-orm/sqlite-core'
import { notFound, refused, stale, unprocessable } from './refusal'
import type { Database, Reader, Transaction } from './database'

export type VersionedTable = SQLiteTable & {
  readonly id: SQLiteColumn
  readonly version: SQLiteColumn
  readonly isRemoved: SQLiteColumn
}

export interface Versioned {
  readonly id: string
  readonly version: number
  readonly isRemoved: boolean
}

/** Create, change, take away and bring back for one kind of thing, each change under the version it was read with. */
export interface VersionedRepository<New, Saved extends Versioned> {
  list(): Promise<readonly Saved[]>
  create(details: New): Promise<Saved>
  update(id: string, details: New & { readonly version: number }): Promise<Saved>
  remove(id: string, version: number): Promise<Saved>
  restore(id: string, version: number): Promise<Saved>
}

export interface RepositoryOptions<New> {
  /** What one is called in messages, such as "recipe". */
  readonly noun: string
  readonly newId: () => string
  /** Why a thing cannot be taken away now, if it cannot. */
  readonly inUse?: (id: string, reader: Reader) => Promise<Sentence | undefined>
  /** Called with every state that is written, within the transaction that writes it. */
  readonly written?: (
    transaction: Transaction,
    saved: New & Versioned,
    before: (New & Versioned) | undefined,
  ) => Promise<void>
  /** What is against these details and only the database can tell; `id` is that of a thing which is there already. */
  readonly check?: (details: New, reader: Reader, id: string | undefined) => Promise<readonly Finding[]>
}

/** A table whose columns are those of a saved thing: the types tell where they are not. */
export type TableOf<Saved extends Versioned> = VersionedTable & { readonly $inferSelect: Saved }

/** Every row of a kept table, those taken away among them. */
export async function findRows<Saved extends Versioned>(
  reader: Reader,
  table: TableOf<Saved>,
): Promise<readonly Saved[]> {
  // Drizzle cannot infer the row of a table it does not know.
  return (await reader.select().from(table).orderBy(asc(table.id))) as unknown as Saved[]
}

/** The thing with this id. @throws 404 if there is none */
export async function findRow<Saved extends Versioned>(
  reader: Reader,
  table: TableOf<Saved>,
  id: string,
  noun: string,
): Promise<Saved> {
  const [row] = (await reader.select().from(table).where(eq(table.id, id))) as unknown as Saved[]
  if (!row) throw notFound(sentence('no_such', { thing: noun }))
  return row
}

export function versionedRepository<New extends object, Saved extends Versioned & New>(
  database: Database,
  table: TableOf<Saved>,
  options: RepositoryOptions<New>,
): VersionedRepository<New, Saved> {
  const { noun, newId, inUse, check, written } = options

  async function refuseDetails(details: New, reader: Reader, id?: string): Promise<void> {
    const findings = (await check?.(details, reader, id)) ?? []
    if (isRefused(findings)) throw refused(findings)
  }

  const change = (
    id: string,
    version: number,
    values: object,
    allow?: (reader: Reader) => Promise<Sentence | undefined>,
  ): Promise<Saved> =>
    database.write(async (transaction) => {
      const before = await findRow<Saved>(transaction, table, id, noun)
      if (before.version !== version) throw stale(noun, before)
      const refusal = await allow?.(transaction)
      if (refusal !== undefined) throw unprocessable(refusal)
      await transaction
        .update(table)
        .set({ ...values, version: version + 1 } as never)
        .where(and(eq(table.id, id), eq(table.version, version)))
      const after = await findRow<Saved>(transaction, table, id, noun)
      await written?.(transaction, after, before)
      return after
    })

  return {
    list: async () => (await findRows<Saved>(database.read, table)).filter(({ isRemoved }) => !isRemoved),
    create: (details) =>
      database.write(async (transaction) => {
        await refuseDetails(details, transaction)
        const row = { ...details, id: newId(), version: 1, isRemoved: false }
        await transaction.insert(table).values(row as never)
        await written?.(transaction, row, undefined)
        return row as unknown as Saved
      }),
    update: (id, { version, ...details }) =>
      change(id, version, details, async (reader) => {
        await refuseDetails(details as unknown as New, reader, id)
        return undefined
      }),
    remove: (id, version) =>
      change(id, version, { isRemoved: true }, (reader) => inUse?.(id, reader) ?? Promise.resolve(undefined)),
    restore: (id, version) => change(id, version, { isRemoved: false }),
  }
}
