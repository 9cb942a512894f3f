import { createHash, randomBytes } from 'node:crypto'

/** A maker who has not been seen for so long signs in again, ms. */
export const idleMs = 12 * 60 * 60_000
/** The last use is written now and then, ms: not every look at a page is worth a write. */
export const writtenEveryMs = 60_000

/** What is kept of a secret: nobody who reads it gets in by it. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex')
/** What a page of ours sends beside the cookie when it changes something: another site can neither read nor guess it. */
export const tokenOf = (secret: string): string => hashOf(`token of ${secret}`)
export const newSecret = (): string => randomBytes(32).toString('base64url')
