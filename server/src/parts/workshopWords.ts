import type { Say } from '@vendange/words'
import { plainReading, readingOf, sayFor } from '@vendange/words'
import type { Reader } from '../db/database'
import { readWorkshop } from '../db/workshopRow'
import type { Clock } from './clock'
import type { ReadingContext } from './context'

/** What puts sentences into the words of this workshop. */
export async function sayOf(reader: Reader, clock: Clock): Promise<Say> {
  const workshop = await readWorkshop(reader)
  return sayFor(readingOf(workshop, clock.today(workshop.timeZone)))
}

/** As {@link sayOf}, for what went wrong: plain words when the settings cannot be read either. */
export async function sayOfContext({ database, clock }: ReadingContext): Promise<Say> {
  try {
    return await sayOf(database.read, clock)
  } catch {
    return sayFor(plainReading)
  }
}
