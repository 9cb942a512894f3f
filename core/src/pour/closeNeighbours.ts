import { differenceCiede2000 } from 'culori'
import type { Finding } from '../findings'
import { quantity, warn } from '../findings'
import type { Neighbours } from './neighbours'
import type { BatterTint, PotShade } from './shades'
import { looks, shadesAt } from './shades'

/**
 * Colour difference (CIEDE2000) below which two neighbours in one bar are hard to tell apart. An estimate: side by side
 * a difference of about 2 is just seen in the laboratory.
 */
export const hardToTellDeltaE = 7
/** Neighbours with less of the borders than this are let be. An estimate. */
const leastBorder = 0.04
const deltaE = differenceCiede2000()

/**
 * Neighbours in a cut that will be hard to tell apart at some time, each pair once, at the time when they are closest.
 *
 * @throws {RangeError} if a colour cannot be read
 */
export function closeNeighbours(
  neighbours: readonly Neighbours[],
  pots: readonly (PotShade & { readonly name: string })[],
  batter: BatterTint = {},
): readonly Finding[] {
  const shades = looks.map((look) => ({ look, hexes: shadesAt(look, pots, batter) }))
  return neighbours.flatMap(({ a, b, share }): readonly Finding[] => {
    const [one, other] = [pots[a], pots[b]]
    if (!one || !other || share < leastBorder) return []
    const closest = shades
      .map(({ look, hexes }) => ({ look, difference: deltaE(hexes[a]!, hexes[b]!) }))
      .sort((p, q) => p.difference - q.difference)[0]!
    if (closest.difference >= hardToTellDeltaE) return []
    return [
      warn(
        'hard_to_tell',
        {
          one: one.name,
          other: other.name,
          look: closest.look,
          difference: quantity.figure(closest.difference, 1),
          wanted: hardToTellDeltaE,
        },
        'colours',
      ),
    ]
  })
}
