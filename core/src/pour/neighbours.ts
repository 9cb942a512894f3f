import { air } from './surface'

/** How long a border two materials have with one another in a cut, as a share of all borders. */
export interface Neighbours {
  readonly a: number
  readonly b: number
  readonly share: number
}

/** Which materials lie side by side in a cut. */
export function neighboursIn(cut: Int8Array, width: number): readonly Neighbours[] {
  const counts = new Map<number, number>()
  let all = 0
  const meet = (a: number, b: number): void => {
    if (a === b || a === air || b === air) return
    const key = Math.min(a, b) * 256 + Math.max(a, b)
    counts.set(key, (counts.get(key) ?? 0) + 1)
    all += 1
  }
  for (let at = 0; at < cut.length; at++) {
    if ((at + 1) % width !== 0) meet(cut[at]!, cut[at + 1]!)
    if (at + width < cut.length) meet(cut[at]!, cut[at + width]!)
  }
  return [...counts].map(([key, count]) => ({ a: Math.floor(key / 256), b: key % 256, share: count / all }))
}

/** How much is to be seen in a cut. */
export interface CutRichness {
  /** Materials that take a fiftieth of it at least. */
  readonly colours: number
  /** Length of all borders between materials, in widths of the cut. A level border counts 1. */
  readonly borderWidths: number
}

/**
 * How rich a cut is, for choosing between faces.
 *
 * @param cut material of each point, row by row
 * @param width points in a row
 */
export function richnessOf(cut: Int8Array, width: number): CutRichness {
  const counts = new Map<number, number>()
  let borders = 0
  for (let at = 0; at < cut.length; at++) {
    counts.set(cut[at]!, (counts.get(cut[at]!) ?? 0) + 1)
    if (cut[at] === air) continue
    const [right, below] = [(at + 1) % width === 0 ? cut[at]! : cut[at + 1]!, cut[at + width] ?? air]
    // Pixels overstate a slanted border by up to √2; the longer way of the two is nearer to its length.
    if ((right !== cut[at] && right !== air) || (below !== cut[at] && below !== air)) borders += 1
  }
  counts.delete(air)
  const all = [...counts.values()].reduce((sum, count) => sum + count, 0)
  return { colours: [...counts.values()].filter((count) => count >= all / 50).length, borderWidths: borders / width }
}
