import { converter, formatHex } from 'culori'
import { randomFrom } from '../random'

interface Point {
  readonly l: number
  readonly a: number
  readonly b: number
}

const toOklab = converter('oklab')
const rounds = 12

const distance = (p: Point, q: Point): number => (p.l - q.l) ** 2 + (p.a - q.a) ** 2 + (p.b - q.b) ** 2

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
  const points: Point[] = []
  for (let at = 0; at + 3 < rgba.length; at += 4) {
    if ((rgba[at + 3] ?? 0) < 128) continue
    const { l, a, b } = toOklab({
      mode: 'rgb',
      r: (rgba[at] ?? 0) / 255,
      g: (rgba[at + 1] ?? 0) / 255,
      b: (rgba[at + 2] ?? 0) / 255,
    })
    points.push({ l, a, b })
  }
  const first = points[0]
  if (!first || count < 1) return []
  const random = randomFrom(points.length)
  const centres: Point[] = [points[Math.floor(random() * points.length)] ?? first]
  while (centres.length < count) {
    const gaps = points.map((point) => Math.min(...centres.map((centre) => distance(point, centre))))
    const total = gaps.reduce((sum, gap) => sum + gap, 0)
    if (total < 1e-6) break
    let left = random() * total
    const next = points[gaps.findIndex((gap) => (left -= gap) <= 0)]
    if (!next) break
    centres.push(next)
  }
  let sizes = centres.map(() => 0)
  for (let round = 0; round < rounds; round++) {
    const sums = centres.map(() => ({ l: 0, a: 0, b: 0, n: 0 }))
    for (const point of points) {
      let nearest = 0
      for (let at = 1; at < centres.length; at++)
        if (distance(point, centres[at] ?? first) < distance(point, centres[nearest] ?? first)) nearest = at
      const sum = sums[nearest]
      if (!sum) continue
      sum.l += point.l
      sum.a += point.a
      sum.b += point.b
      sum.n += 1
    }
    sums.forEach(({ l, a, b, n }, at) => {
      if (n > 0) centres[at] = { l: l / n, a: a / n, b: b / n }
    })
    sizes = sums.map(({ n }) => n)
  }
  return centres
    .map((centre, at) => ({
      hex: formatHex({ mode: 'oklab', ...centre }).toUpperCase(),
      share: (sizes[at] ?? 0) / points.length,
    }))
    .filter(({ share }) => share > 0)
    .sort((a, b) => b.share - a.share)
}
