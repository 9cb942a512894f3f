import { Refusal } from '../db/refusal'
import { readWorkshop } from '../db/workshopRow'
import type { Readings } from '../readings'
import type { Context } from './context'
import { mendingOnce } from './mendingOnce'
import { inThread } from './threads'

/** What was read, as the JSON in which it goes out. */
export interface ReadJson<Reply> {
  readonly json: string
  /** The same as a value. */
  value(): Reply
}

type Name = keyof Readings
type InputOf<Of extends Name> = Parameters<Readings[Of]>
type ReplyOf<Of extends Name> = Awaited<ReturnType<Readings[Of]>>

/** Reads something of the workshop by its name. @throws {Refusal} if it cannot be */
export type Read = <Of extends Name>(name: Of, ...input: InputOf<Of>) => Promise<ReadJson<ReplyOf<Of>>>

/**
 * Reads in a thread of its own, so that nobody waits who asks for something else. A row that cannot be read is mended, and
 * read once more.
 */
export function readerOf({ database, clock }: Context): Read {
  async function readOnce<Of extends Name>(name: Of, input: InputOf<Of>): Promise<ReadJson<ReplyOf<Of>>> {
    const { timeZone } = await readWorkshop(database.read)
    const json = await database.beside((file) =>
      inThread('read', {
        file,
        revision: database.revision(),
        epoch: database.epoch(),
        now: clock.now().toISOString(),
        today: clock.today(timeZone),
        name,
        input,
      }),
    )
    return { json, value: () => JSON.parse(json) as ReplyOf<Of> }
  }
  return (name, ...input) =>
    mendingOnce(
      database.mend,
      (error) => error instanceof Refusal,
      () => readOnce(name, input),
    )
}
