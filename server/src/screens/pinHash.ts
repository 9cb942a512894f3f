import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { promisify } from 'node:util'

const derive = promisify<string | Buffer, Buffer, number, { N: number; r: number; p: number; maxmem: number }, Buffer>(
  scrypt,
)
/** Work of a hash: OWASP's recommendation for scrypt, 2024. */
const work = { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 } as const
const hashBytes = 32

/** A secret of the data folder that every hash takes part of: a copy of the hashes alone gives nobody a PIN. */
function pepperOf(folder: string): Buffer {
  const file = join(folder, 'pepper')
  if (!existsSync(file)) writeFileSync(file, randomBytes(hashBytes), { mode: 0o600 })
  return readFileSync(file)
}

/** Hashes PINs, and holds them against their hashes. */
export function pinHasher(folder: string) {
  const hashOf = (pin: string, salt: string): Promise<Buffer> =>
    derive(Buffer.concat([Buffer.from(pin), pepperOf(folder)]), Buffer.from(salt, 'base64'), hashBytes, work)
  return {
    async make(pin: string): Promise<{ readonly salt: string; readonly hash: string }> {
      const salt = randomBytes(16).toString('base64')
      return { salt, hash: (await hashOf(pin, salt)).toString('base64') }
    },
    async matches(pin: string, { salt, hash }: { readonly salt: string; readonly hash: string }): Promise<boolean> {
      return timingSafeEqual(await hashOf(pin, salt), Buffer.from(hash, 'base64'))
    },
  }
}
