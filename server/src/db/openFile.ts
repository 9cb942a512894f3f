import type { Client } from '@libsql/client'
import { createClient } from '@libsql/client'

/** How long a connection waits for what another holds for a moment, such as one that is just being closed, ms. */
const waitMs = 5000

/** A connection to a database file, which is made when it is missing. */
export const openFile = (file: string): Client => createClient({ url: `file:${file}`, timeout: waitMs })
