import type { Database } from '../db/database'
import type { Clock } from './clock'

/** What reading works with: nothing can be written through it. */
export interface ReadingContext {
  readonly database: Pick<Database, 'read' | 'revision' | 'epoch'>
  readonly clock: Clock
}

/** What every service works with. */
export interface Context extends ReadingContext {
  readonly database: Database
  readonly newId: () => string
}
