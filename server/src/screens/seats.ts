import { eq } from 'drizzle-orm'
import type { AccessFile } from './accessFile'
import { seats } from './accessFile'
import { hashOf, idleMs, newSecret, writtenEveryMs } from './secrets'

/** Who has signed in at the computer itself, in which of its browsers. */
export function seatKeeper({ db }: AccessFile, nowMs: () => number) {
  const at = (): string => new Date(nowMs()).toISOString()
  const leave = async (secret: string): Promise<void> =>
    void (await db.delete(seats).where(eq(seats.sessionHash, hashOf(secret))))

  return {
    leave,
    /** @returns the secret that stands for the maker in this browser */
    async take(makerId: string): Promise<string> {
      const secret = newSecret()
      await db.insert(seats).values({ sessionHash: hashOf(secret), makerId, lastUsedAt: at() })
      return secret
    },
    /** The maker who sits there; undefined when nobody does any more. */
    async makerAt(secret: string): Promise<string | undefined> {
      const [seat] = await db
        .select()
        .from(seats)
        .where(eq(seats.sessionHash, hashOf(secret)))
      if (!seat) return undefined
      const unusedMs = nowMs() - Date.parse(seat.lastUsedAt)
      if (unusedMs > idleMs) {
        await leave(secret)
        return undefined
      }
      if (unusedMs > writtenEveryMs)
        await db.update(seats).set({ lastUsedAt: at() }).where(eq(seats.sessionHash, seat.sessionHash))
      return seat.makerId
    },
  }
}
