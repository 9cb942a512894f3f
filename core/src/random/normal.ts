import { errorFunction, inverseErrorFunction } from 'simple-statistics'

/**
 * A number from the normal distribution with mean 0 and standard deviation 1, out of two even ones (Box, Muller, "A note
 * on the generation of random normal deviates", 1958).
 *
 * @param random gives numbers from 0 (included) to 1 (excluded)
 */
export function normalFrom(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
}

/** Share of the normal distribution below so many standard deviations. */
export const shareBelow = (deviations: number): number => 0.5 * (1 + errorFunction(deviations / Math.SQRT2))
/** Standard deviations below which so much of the normal distribution lies: `shareBelow` turned round. */
export const deviationsBelow = (share: number): number => Math.SQRT2 * inverseErrorFunction(2 * share - 1)
