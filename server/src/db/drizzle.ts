import type { Client } from '@libsql/client'
import { drizzle } from 'drizzle-orm/libsql'
import * as schema from './schema'

/** The tables of the house, over a connection. */
export const drizzleOver = (client: Client) => drizzle(client, { schema })

export type Transaction = Parameters<Parameters<ReturnType<typeof drizzleOver>['transaction']>[0]>[0]
/** Whatever can be read from: the database itself, or a transaction under way. */
export type Reader = Pick<Transaction, 'select' | 'selectDistinct'>
