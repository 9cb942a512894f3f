import { converter, formatHex } from 'culori'
import { kmeans } from 'ml-kmeans'

const toOklab = converter('oklab')
/** Alpha below which a pixel counts for nothing. */
const clearBelow = 128
const mostRounds = 30

/**
 * The main colours of a picture, that of most pixels first: k-means in Oklab, started far apart (k-means++, Arthur and
 * Vassilvitskii 2007). The same picture gives the same colours. Transparent pixels count for nothing.
 *
 * @param rgba red, green, blue and alpha of each pixel in turn, 0 to 255
 * @param count how many colours at the most
 */
export function mainColours(
  rgba: ArrayLike<number>,
  count: number,
): readonly { readonly hex: string; readonly share: number }[] {
  const points: number[][] = []
  const differing = new Set<number>()
  for (let at = 0; at + 3 < rgba.length; at += 4) {
    if (rgba[at + 3]! < clearBelow) continue
    const [red, green, blue] = [rgba[at]!, rgba[at + 1]!, rgba[at + 2]!]
    differing.add((red << 16) | (green << 8) | blue)
    const { l, a, b } = toOklab({ mode: 'rgb', r: red / 255, g: green / 255, b: blue / 255 })
    points.push([l, a, b])
  }
  const groups = Math.min(count, differing.size)
  if (groups < 1) return []
  const { clusters, centroids } = kmeans(points, groups, { seed: points.length, maxIterations: mostRounds })
  const sizes = centroids.map(() => 0)
  for (const cluster of clusters) sizes[cluster]! += 1
  return centroids
    .map(([l = 0, a = 0, b = 0], at) => ({
      hex: formatHex({ mode: 'oklab', l, a, b }).toUpperCase(),
      share: sizes[at]! / points.length,
    }))
    .filter(({ share }) => share > 0)
    .sort((one, other) => other.share - one.share)
}
