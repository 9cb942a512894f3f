import { sentence } from '@vendange/core/findings'
import { and, eq } from 'drizzle-orm'
import { notFound } from '../db/refusal'
import { HttpProblem } from '../parts/problems'
import type { AccessFile } from './accessFile'
import { pins } from './accessFile'
import { pinHasher } from './pinHash'

/** After so many wrong PINs a maker waits, each time twice as long. */
const wrongPins = 5
const firstLockMs = 60_000

/** PINs of makers: given, and held against what is typed. */
export function pinKeeper({ db }: AccessFile, folder: string, nowMs: () => number) {
  const hasher = pinHasher(folder)
  const read = async (): Promise<readonly string[]> =>
    (await db.select({ makerId: pins.makerId }).from(pins)).map(({ makerId }) => makerId)
  let withPin: readonly string[] | undefined

  return {
    /** Makers who have one. Asked at every request, and read once: nobody else writes it while the server runs. */
    async all(): Promise<readonly string[]> {
      if (withPin) return withPin
      const found = await read()
      return (withPin ??= found)
    },

    async set(makerId: string, pin: string): Promise<void> {
      const fresh = { ...(await hasher.make(pin)), failures: 0, lockedUntil: null }
      await db
        .insert(pins)
        .values({ makerId, ...fresh })
        .onConflictDoUpdate({ target: pins.makerId, set: fresh })
      withPin = await read()
    },

    /**
     * Holds a typed PIN against a maker's.
     *
     * @param onWrong told how often it was wrong in a row
     * @throws {HttpProblem} 422 when it is wrong, 429 while it is locked or another try is under way
     */
    async check(makerId: string, pin: string, onWrong: (failures: number) => Promise<void>): Promise<void> {
      const [known] = await db.select().from(pins).where(eq(pins.makerId, makerId))
      if (!known) throw notFound(sentence('id_unread'))
      const waitMs = known.lockedUntil === null ? 0 : Date.parse(known.lockedUntil) - nowMs()
      if (waitMs > 0) {
        const minutes = Math.ceil(waitMs / 60_000)
        throw new HttpProblem({
          title: 'Locked',
          status: 429,
          detail: `The PIN was wrong too often: wait ${minutes === 1 ? 'a minute' : `${minutes} minutes`}.`,
        })
      }
      // Written down before it is looked at, and by one try at a time: who asks many times at once has no more tries.
      const failures = known.failures + 1
      const locks = failures >= wrongPins
      const lockMs = firstLockMs * 2 ** (failures - wrongPins)
      const [counted] = await db
        .update(pins)
        .set({ failures, lockedUntil: locks ? new Date(nowMs() + lockMs).toISOString() : null })
        .where(and(eq(pins.makerId, makerId), eq(pins.failures, known.failures)))
        .returning()
      if (!counted)
        throw new HttpProblem({ title: 'Locked', status: 429, detail: 'Another try of this PIN is under way.' })
      if (!(await hasher.matches(pin, known))) {
        await onWrong(failures)
        throw new HttpProblem({ title: 'Wrong', status: 422, detail: 'This is not the PIN.' })
      }
      await db.update(pins).set({ failures: 0, lockedUntil: null }).where(eq(pins.makerId, makerId))
    },
  }
}
