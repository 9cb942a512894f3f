/**
 * A stream of numbers from 0 (included) to 1 (excluded), the same for the same seed.
 *
 * Weyl sequence through a 32-bit finaliser: Steele, Lea, Flood, "Fast splittable pseudorandom number generators",
 * OOPSLA 2014, with the multipliers of the published 32-bit variant.
 *
 * @param seed any whole number
 */
export function randomFrom(seed: number): () => number {
  let state = seed | 0
  return () => {
    state = (state + 0x9e3779b9) | 0
    let mixed = state ^ (state >>> 16)
    mixed = Math.imul(mixed, 0x21f0aaad)
    mixed ^= mixed >>> 15
    mixed = Math.imul(mixed, 0x735a2d97)
    mixed ^= mixed >>> 15
    mixed ^= mixed >>> 15
    return (mixed >>> 0) / 4294967296
  }
}
