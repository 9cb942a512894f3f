import type { CutWay } from '../turned'
import { cutWays } from '../turned'
import type { Allowances, LaidPiece, Piece, RoughBlock, Round, Usable } from './pieces'
import { howMany, laid, roomOf, rounds, usableOf, volumeOf } from './pieces'

/** Pieces of one kind cut off a log by one cut across it: side by side and over one another. */
export interface Column {
  readonly piece: number
  readonly pieces: number
  readonly alongMm: number
}

/** A log of the block. */
export interface Strip {
  readonly widthMm: number
  readonly columns: readonly Column[]
}

/** A block cut in stages, each cut straight through: logs, then across them, then what is left to part. */
export interface CutPlan {
  readonly round: Round
  readonly way: CutWay
  readonly strips: readonly Strip[]
  /** Pieces of each kind that count: no more than were wanted. */
  readonly counts: readonly number[]
  readonly pieces: number
  /** Volume of the pieces that count, mm³. */
  readonly usedMm3: number
  /** What the choice went by: every piece of a wanted number before any volume. */
  readonly worthMm3: number
  /** Part of the block that becomes none of them, 0 to 1. */
  readonly wasteShare: number
}

/** What one strip may be cut into: columns of each kind, as many as go in beside each other. */
interface Pattern {
  readonly widthMm: number
  readonly columns: readonly number[]
  readonly gives: readonly number[]
}

/** What so many pieces of each kind come to. */
const sumOf = (counts: readonly number[], kinds: readonly LaidPiece[], of: 'worthMm3' | 'volumeMm3'): number =>
  counts.reduce((sum, count, kind) => sum + count * kinds[kind]![of], 0)

/** The same of a strip for each mm of width that it takes with its cut. */
const rateOf = (
  { widthMm, gives }: Pattern,
  kinds: readonly LaidPiece[],
  kerfMm: number,
  of: 'worthMm3' | 'volumeMm3' = 'worthMm3',
): number => sumOf(gives, kinds, of) / (widthMm + kerfMm)

const capOf = ({ wanted }: Piece): number => wanted ?? Infinity

/** Difference of two widths that comes from reckoning, not from a ruler, mm. */
const dustMm = 1e-6

/** Widths that logs may have, the widest first: so many of one kind side by side. */
export function stripWidths(kinds: readonly LaidPiece[], widthMm: number, kerfMm: number): readonly number[] {
  const widths = kinds
    .filter(({ layers }) => layers > 0)
    .flatMap(({ acrossMm }) =>
      Array.from({ length: howMany(widthMm, acrossMm, kerfMm) }, (_, index) => roomOf(index + 1, acrossMm, kerfMm)),
    )
  // Widths that differ by dust alone count once, as the wider one: rounded, a log could be narrower than its own bars.
  return widths.sort((a, b) => b - a).filter((width, at) => at === 0 || widths[at - 1]! - width > dustMm)
}

/** Pieces of a kind in one column of a strip. */
export const perColumn = ({ acrossMm, layers }: LaidPiece, stripMm: number, kerfMm: number): number =>
  howMany(stripMm, acrossMm, kerfMm) * layers

/** Patterns that no other one gives as much of in no more width. */
function undominated(patterns: readonly Pattern[]): readonly Pattern[] {
  const total = ({ gives }: Pattern): number => gives.reduce((sum, count) => sum + count, 0)
  const kept: Pattern[] = []
  // Whatever gives as much in no more width comes first.
  for (const one of [...patterns].sort((a, b) => a.widthMm - b.widthMm || total(b) - total(a)))
    if (!kept.some(({ gives }) => gives.every((count, kind) => count >= one.gives[kind]!))) kept.push(one)
  return kept
}

/** Patterns of a strip to which no further column can be added that anybody wants. */
function patternsOf(
  stripMm: number,
  kinds: readonly LaidPiece[],
  caps: readonly number[],
  { lengthMm }: Usable,
  kerfMm: number,
): readonly Pattern[] {
  const each = kinds.map((kind) => perColumn(kind, stripMm, kerfMm))
  const most = kinds.map(({ alongMm }, kind) =>
    each[kind]! > 0 ? Math.min(howMany(lengthMm, alongMm, kerfMm), Math.ceil(caps[kind]! / each[kind]!)) : 0,
  )
  const patterns: Pattern[] = []
  const columns = kinds.map(() => 0)
  const fill = (kind: number, leftMm: number): void => {
    if (kind === kinds.length) {
      const hasRoom = kinds.some(
        ({ alongMm }, other) => columns[other]! < most[other]! && alongMm + kerfMm <= leftMm + 1e-9,
      )
      if (!hasRoom && columns.some((count) => count > 0))
        patterns.push({ widthMm: stripMm, columns: [...columns], gives: columns.map((count, at) => count * each[at]!) })
      return
    }
    const takesMm = kinds[kind]!.alongMm + kerfMm
    for (let count = 0; count <= most[kind]! && count * takesMm <= leftMm + 1e-9; count++) {
      columns[kind] = count
      fill(kind + 1, leftMm - count * takesMm)
    }
    columns[kind] = 0
  }
  fill(0, lengthMm + kerfMm)
  return patterns
}

/** What was cut so far: pieces of each kind, no more than wanted, and the width that it took. */
interface Reached {
  readonly counts: readonly number[]
  readonly usedMm: number
  readonly value: number
  readonly last: number
  readonly from: Reached | undefined
  readonly key: number
  /** What it can come to at the most. */
  readonly most: number
}

/**
 * The strips that are worth most, exactly: every set of strips is reached, those apart that another one gives as much of
 * with less width, or that could not catch up with the best one found.
 *
 * @param patterns those worth most for their width first
 */
function bestStrips(
  patterns: readonly Pattern[],
  kinds: readonly LaidPiece[],
  caps: readonly number[],
  { widthMm, blockMm3 }: { readonly widthMm: number; readonly blockMm3: number },
  kerfMm: number,
): Reached {
  const start: Reached = {
    counts: kinds.map(() => 0),
    usedMm: -kerfMm,
    value: 0,
    last: 0,
    from: undefined,
    key: 0,
    most: Infinity,
  }
  const valueOf = (counts: readonly number[]): number => sumOf(counts, kinds, 'worthMm3')
  const isFree = caps.map((cap) => !Number.isFinite(cap))
  // A strip's width with its cut, and the most that it is worth: what is left can be worth no more at the best rate.
  const rate = patterns[0] ? rateOf(patterns[0], kinds, kerfMm) : 0
  const volumeRate = Math.max(0, ...patterns.map((pattern) => rateOf(pattern, kinds, kerfMm, 'volumeMm3')))
  /** The most that can still be gained: at the best rate; or all that is still wanted, and volume at its best rate. */
  const gainFrom = (counts: readonly number[], leftMm: number): number => {
    const wanted = counts.reduce((sum, count, kind) => {
      const { worthMm3, volumeMm3 } = kinds[kind]!
      return worthMm3 > volumeMm3 ? sum + (caps[kind]! - count) * (worthMm3 - volumeMm3) : sum
    }, 0)
    return Math.min(rate * leftMm, wanted + volumeRate * leftMm)
  }
  /** Kinds without a limit matter by their volume alone, kept to the mm³. */
  const keyOf = (counts: readonly number[]): number => {
    let [wanted, freeMm3] = [0, 0]
    for (let kind = 0; kind < counts.length; kind++)
      if (isFree[kind]) freeMm3 += counts[kind]! * kinds[kind]!.volumeMm3
      else wanted = wanted * (caps[kind]! + 1) + counts[kind]!
    return wanted * blockMm3 * 2 + Math.round(freeMm3)
  }
  let best = start
  const least = new Map<number, number>()
  const reached: Reached[] = [start]
  patterns.forEach((pattern, at) => {
    const worth = valueOf(pattern.gives)
    // What this pattern reaches is looked at in its turn, and takes it once more.
    for (let index = 0; index < reached.length; index++) {
      const one = reached[index]!
      const usedMm = one.usedMm + kerfMm + pattern.widthMm
      if (usedMm > widthMm + 1e-9 || one.value + worth + rate * (widthMm - usedMm) < best.value - 1e-6) continue
      // Out of reach of the best found since, or reached in less width since.
      if (one.most < best.value - 1e-6 || one.usedMm > (least.get(one.key) ?? one.usedMm) + 1e-9) continue
      const counts = one.counts.map((count, kind) => Math.min(caps[kind]!, count + pattern.gives[kind]!))
      const value = valueOf(counts)
      const most = value + gainFrom(counts, widthMm - usedMm)
      if (value <= one.value || most < best.value - 1e-6) continue
      const key = keyOf(counts)
      const known = least.get(key)
      if (known !== undefined && known <= usedMm + 1e-9) continue
      least.set(key, usedMm)
      const found = { counts, usedMm, value, last: at, from: one, key, most }
      if (value > best.value + 1e-6 || (value > best.value - 1e-6 && usedMm < best.usedMm)) best = found
      reached.push(found)
    }
  })
  return best
}

function stripsOf(reached: Reached, patterns: readonly Pattern[], kinds: readonly LaidPiece[]): readonly Strip[] {
  const strips: Strip[] = []
  for (let at: Reached | undefined = reached; at?.from; at = at.from) {
    const { widthMm, columns, gives } = patterns[at.last]!
    strips.unshift({
      widthMm,
      columns: columns.flatMap((count, piece) =>
        Array.from({ length: count }, () => ({
          piece,
          alongMm: kinds[piece]!.alongMm,
          pieces: count > 0 ? gives[piece]! / count : 0,
        })),
      ),
    })
  }
  return strips
}

/** A strip of which every column lies the same number of times side by side is split into so many logs first. */
function asLogs(strip: Strip, kinds: readonly LaidPiece[], kerfMm: number): readonly Strip[] {
  const [first] = strip.columns
  const acrossMm = first ? kinds[first.piece]!.acrossMm : 0
  const beside = howMany(strip.widthMm, acrossMm, kerfMm)
  const isEven = strip.columns.every(({ piece }) => Math.abs(kinds[piece]!.acrossMm - acrossMm) < 1e-9)
  if (!isEven || beside < 2) return [strip]
  return Array.from({ length: beside }, () => ({
    widthMm: acrossMm,
    columns: strip.columns.map((column) => ({ ...column, pieces: column.pieces / beside })),
  }))
}

/**
 * The best way to cut a block with its logs running one way and laid one way: first as many as can be of what a number
 * is wanted of, then as much volume as can be of the rest. Cuts go straight through in stages, as a splitter and a wire
 * do: logs; columns across a log; what lies side by side or over one another in a column, which is of one kind. Within
 * these stages it is exact.
 *
 * @param pieces at most {@link mostPieceKinds}
 */
export function planOneWay(
  block: RoughBlock,
  pieces: readonly Piece[],
  allowances: Allowances,
  { round, way }: { readonly round: Round; readonly way: CutWay },
): CutPlan {
  const usable = usableOf(block, round, allowances)
  const { kerfMm } = allowances
  const blockMm3 = volumeOf(block)
  const kinds = pieces.map((piece) => laid(piece, way, usable.heightMm, kerfMm, blockMm3))
  const caps = pieces.map(capOf)
  const patterns = stripWidths(kinds, usable.widthMm, kerfMm).flatMap((widthMm) =>
    patternsOf(widthMm, kinds, caps, usable, kerfMm),
  )
  const rated = [...undominated(patterns)].sort((a, b) => rateOf(b, kinds, kerfMm) - rateOf(a, kinds, kerfMm))
  const best = bestStrips(rated, kinds, caps, { widthMm: usable.widthMm, blockMm3 }, kerfMm)
  const usedMm3 = sumOf(best.counts, kinds, 'volumeMm3')
  return {
    round,
    way,
    counts: best.counts,
    usedMm3,
    worthMm3: best.value,
    strips: stripsOf(best, rated, kinds).flatMap((strip) => asLogs(strip, kinds, kerfMm)),
    pieces: best.counts.reduce((sum, count) => sum + count, 0),
    wasteShare: 1 - usedMm3 / blockMm3,
  }
}

/** Plans of every way round that gives a piece at least, the one that is worth most first. */
export function planCuts(block: RoughBlock, pieces: readonly Piece[], allowances: Allowances): readonly CutPlan[] {
  return rounds
    .flatMap((round) => cutWays.map((way) => planOneWay(block, pieces, allowances, { round, way })))
    .filter((plan) => plan.pieces > 0)
    .sort((a, b) => b.worthMm3 - a.worthMm3 || b.pieces - a.pieces)
}
