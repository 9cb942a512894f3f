/**
 * A number from the normal distribution with mean 0 and standard deviation 1, out of two even ones (Box, Muller, "A note
 * on the generation of random normal deviates", 1958).
 *
 * @param random gives numbers from 0 (included) to 1 (excluded)
 */
export function normalFrom(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
}
