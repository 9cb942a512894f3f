import type { Database } from '../db/database'
import type { Clock } from './clock'

/** What every service works with. */
export interface Context {
  readonly database: Database
  readonly clock: Clock
  readonly newId: () => string
}
