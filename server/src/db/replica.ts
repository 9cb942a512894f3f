import type { Client } from '@libsql/client'
import { createClient } from '@libsql/client'
import { sentence } from '@vendange/core/findings'
import { migrate } from 'drizzle-orm/libsql/migrator'
import { mkdirSync } from 'node:fs'
import { dirname } from 'node:path'
import { drizzleOver } from './drizzle'
import { migrationTimes } from './migrations'
import { DatabaseRefused } from './refusedFile'
import { Refusal } from './refusal'

/** A libSQL server that keeps the workshop for more than one place. */
export interface DatabaseServer {
  /** `libsql://…`, `https://…` or `http://…`. */
  readonly url: string
  readonly token: string | undefined
}

/** So often what other places wrote is fetched, ms. */
const fetchEveryMs = 2000

/** What the driver says where the server is not reached, or goes down while it is asked. */
const notReached =
  /connect error|connection (refused|reset|closed)|transport error|unavailable|timed? ?out|dns error|broken pipe/i

function wordsOf(error: unknown): string {
  return error instanceof Error ? `${error.message} ${wordsOf(error.cause)}` : ''
}

/** What a server that is not reached makes of a change: it is tried again later. Undefined for any other fault. */
export const troubleOfServer = (error: unknown): Refusal | undefined =>
  notReached.test(wordsOf(error)) ? new Refusal('away', sentence('database_not_reached')) : undefined

async function newestMigration(client: Client): Promise<number> {
  const { rows } = await client.execute("SELECT name FROM sqlite_master WHERE name = '__drizzle_migrations'")
  if (rows.length === 0) return 0
  const newest = await client.execute('SELECT max(created_at) AS at FROM __drizzle_migrations')
  return Number(newest.rows[0]?.['at'] ?? 0)
}

/**
 * Connects to a workshop on a server: what is changed goes there at once, what is read is read from a copy here.
 *
 * @param file the copy; made when it is missing
 * @throws {DatabaseRefused} if the server is not reached, or was written to by a newer version
 */
export async function connectReplica(
  file: string,
  { url, token }: DatabaseServer,
  migrationsFolder: string,
): Promise<Client> {
  mkdirSync(dirname(file), { recursive: true })
  const client = createClient({
    url: `file:${file}`,
    syncUrl: url,
    ...(token === undefined ? {} : { authToken: token }),
  })
  try {
    await client.sync()
    if ((await newestMigration(client)) > Math.max(...migrationTimes(migrationsFolder)))
      throw new DatabaseRefused(`The workshop at ${url} was written by a newer version of Vendange. Start that one.`)
    await migrate(drizzleOver(client), { migrationsFolder })
    await client.sync()
    return client
  } catch (error) {
    client.close()
    if (error instanceof DatabaseRefused) throw error
    throw new DatabaseRefused(
      `The database server at ${url} does not answer, or does not let this place in (${wordsOf(error).trim()}). Nothing was changed.`,
    )
  }
}

/** Fetches what other places write. @param onNews called when there was something @returns ends it */
export function followServer(client: Client, onNews: () => void): () => void {
  let isFetching = false
  const timer = setInterval(() => {
    if (isFetching) return
    isFetching = true
    client
      .sync()
      .then((fetched) => {
        if ((fetched?.frames_synced ?? 0) > 0) onNews()
      })
      // A server that is not reached is asked again; who writes meanwhile is told.
      .catch(() => undefined)
      .finally(() => (isFetching = false))
  }, fetchEveryMs).unref()
  return () => clearInterval(timer)
}
