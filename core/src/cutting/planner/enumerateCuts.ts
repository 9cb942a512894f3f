import type { CutWay } from '../turned'
import type { Allowances, Piece, RoughBlock, Round } from './pieces'
import { laid, usableOf, volumeOf } from './pieces'
import { perColumn, stripWidths } from './planCuts'

/**
 * The most that a block can be worth, by trying every set of logs and every set of columns in them.
 * Slow: what the planner is held against.
 *
 * @returns mm³
 */
export function enumerateCuts(
  block: RoughBlock,
  pieces: readonly Piece[],
  allowances: Allowances,
  { round, way }: { readonly round: Round; readonly way: CutWay },
): number {
  const { kerfMm } = allowances
  const usable = usableOf(block, round, allowances)
  const kinds = pieces.map((piece) => laid(piece, way, usable.heightMm, kerfMm, volumeOf(block)))
  const widths = stripWidths(kinds, usable.widthMm, kerfMm)
  let best = 0
  const fillStrip = (
    strip: number,
    kind: number,
    alongMm: number,
    acrossMm: number,
    counts: readonly number[],
  ): void => {
    const one = kinds[kind]
    if (!one) return cutStrips(strip, acrossMm, counts)
    const each = perColumn(one, widths[strip]!, kerfMm)
    for (let columns = 0; columns === 0 || (each > 0 && columns * (one.alongMm + kerfMm) <= alongMm + 1e-9); columns++)
      fillStrip(
        ...([strip, kind + 1, alongMm - columns * (one.alongMm + kerfMm), acrossMm] as const),
        counts.map((count, at) => (at === kind ? count + columns * each : count)),
      )
  }
  const cutStrips = (from: number, acrossMm: number, counts: readonly number[]): void => {
    const worth = counts.reduce(
      (sum, count, kind) => sum + Math.min(pieces[kind]!.wanted ?? Infinity, count) * kinds[kind]!.worthMm3,
      0,
    )
    best = Math.max(best, worth)
    for (let strip = from; strip < widths.length; strip++) {
      const leftMm = acrossMm - widths[strip]! - kerfMm
      if (leftMm >= -1e-9) fillStrip(strip, 0, usable.lengthMm + kerfMm, leftMm, counts)
    }
  }
  cutStrips(
    0,
    usable.widthMm + kerfMm,
    pieces.map(() => 0),
  )
  return best
}
