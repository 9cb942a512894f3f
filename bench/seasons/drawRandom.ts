/**
 * A stream of numbers from 0 (included) to 1 (excluded), the same for the same seed: the generator that the seasons written
 * down were drawn with (mulberry32, T. Ettinger, public domain). The product draws with the one in core.
 */
export function randomFrom(seed: number): () => number {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32
  }
}
