import { mersenne } from 'pure-rand/generator/mersenne'

/** 32-bit numbers that there are. */
const numbers = 2 ** 32

/**
 * A stream of numbers from 0 (included) to 1 (excluded), the same for the same seed: the Mersenne Twister (Matsumoto and
 * Nishimura 1998), 32 bits a number.
 *
 * @param seed any whole number
 */
export function randomFrom(seed: number): () => number {
  const generator = mersenne(seed)
  return () => (generator.next() >>> 0) / numbers
}
