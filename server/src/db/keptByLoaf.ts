import { gt, max } from 'drizzle-orm'
import type { Database, Reader } from './database'
import { loafEvents, loaves } from './schema'

/** Loaves are read in so many at a time. */
const atOnce = 500

/**
 * What is read of loaves, kept until something more happens to one of them, so that the record of many years is read once
 * and not at every question: what happened since the last one is asked for by the number of the last event.
 *
 * @param readSome reads some loaves; one that it does not give back is left out
 */
export function keptByLoaf<T>(
  database: Pick<Database, 'read' | 'epoch'>,
  readSome: (reader: Reader, ids: readonly string[]) => Promise<ReadonlyMap<string, T>>,
): () => Promise<ReadonlyMap<string, T>> {
  let epoch: number | undefined
  let lastEvent = -1
  let known = new Map<string, T>()
  let underWay: Promise<unknown> = Promise.resolve()

  async function readChanged(): Promise<void> {
    const { read } = database
    if (epoch !== database.epoch()) {
      known = new Map()
      lastEvent = -1
      epoch = database.epoch()
    }
    const [newest] = await read.select({ id: max(loafEvents.id) }).from(loafEvents)
    const newestId = newest?.id ?? -1
    if (newestId === lastEvent) return
    const changed =
      lastEvent < 0
        ? await read.select({ id: loaves.id }).from(loaves)
        : await read.selectDistinct({ id: loafEvents.loafId }).from(loafEvents).where(gt(loafEvents.id, lastEvent))
    const ids = changed.map(({ id }) => id)
    // Another map: who has put the one before in a list sees that there is something new.
    known = new Map(known)
    for (let start = 0; start < ids.length; start += atOnce)
      for (const [id, one] of await readSome(read, ids.slice(start, start + atOnce))) known.set(id, one)
    lastEvent = newestId
  }

  return async () => {
    // One question after the other: two at once would read the same twice.
    const mine = underWay.catch(() => undefined).then(readChanged)
    underWay = mine
    await mine
    return known
  }
}

/** The same in a list of lines, which stays the same list until something more happens. @param inOrder how lines stand that are alike */
export function keptLines<T>(
  database: Pick<Database, 'read' | 'epoch'>,
  readSome: (reader: Reader, ids: readonly string[]) => Promise<ReadonlyMap<string, readonly T[]>>,
  inOrder: (a: T, b: T) => number,
): () => Promise<readonly T[]> {
  const kept = keptByLoaf(database, readSome)
  let of: unknown
  let lines: readonly T[] = []
  return async () => {
    const now = await kept()
    if (now !== of) [of, lines] = [now, [...now.values()].flat().sort(inOrder)]
    return lines
  }
}
