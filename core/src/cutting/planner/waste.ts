import type { Finding, Sentence } from '../../findings'
import { quantity, sentence, tell } from '../../findings'
import { thicknessForBars } from '../barsFromLoaf'
import type { CutPlan } from './planCuts'
import type { Allowances, Piece, RoughBlock } from './pieces'
import { laid, pieceMm3, roomOf, trimsOf, usableOf, volumeOf } from './pieces'

/** Where soap of a block stays that becomes no piece. */
export type WasteKind = 'trims' | 'cuts' | 'beside_logs' | 'end_of_logs' | 'in_columns' | 'not_wanted'

export interface WastePart {
  readonly kind: WasteKind
  /** Part of the block, 0 to 1. */
  readonly share: number
}

/** A plan that wastes more than this says why: part of the block. A rule of the house. */
export const wasteToExplain = 0.15

/** What a plan wastes by where it stays, the greatest part first. Together they are its `wasteShare`. */
export function wasteOf(
  block: RoughBlock,
  pieces: readonly Piece[],
  plan: CutPlan,
  allowances: Allowances,
): readonly WastePart[] {
  const blockMm3 = volumeOf(block)
  const usable = usableOf(block, plan.round, allowances)
  const { lengthMm, widthMm, heightMm } = usable
  const { kerfMm } = allowances
  const mm3: Record<WasteKind, number> = {
    trims: blockMm3 - volumeOf(usable),
    cuts: Math.max(0, plan.strips.length - 1) * kerfMm * lengthMm * heightMm,
    beside_logs: 0,
    end_of_logs: 0,
    in_columns: 0,
    not_wanted: 0,
  }
  const cut = pieces.map(() => 0)
  let besideMm = widthMm - Math.max(0, plan.strips.length - 1) * kerfMm
  for (const strip of plan.strips) {
    besideMm -= strip.widthMm
    let leftMm = lengthMm - Math.max(0, strip.columns.length - 1) * kerfMm
    mm3.cuts += (lengthMm - leftMm) * strip.widthMm * heightMm
    for (const { piece, pieces: count, alongMm } of strip.columns) {
      leftMm -= alongMm
      cut[piece] = cut[piece]! + count
      mm3.in_columns += alongMm * strip.widthMm * heightMm - count * pieceMm3(pieces[piece]!)
    }
    mm3.end_of_logs += leftMm * strip.widthMm * heightMm
  }
  mm3.beside_logs = besideMm * lengthMm * heightMm
  mm3.not_wanted = pieces.reduce((sum, piece, kind) => sum + (cut[kind]! - plan.counts[kind]!) * pieceMm3(piece), 0)
  return Object.entries(mm3)
    .map(([kind, volume]) => ({ kind: kind as WasteKind, share: volume / blockMm3 }))
    .sort((a, b) => b.share - a.share)
}

/** The size at which one more would come out of each log with no rest, where that is a usual bar. */
function mendOf(
  { lengthMm }: RoughBlock,
  pieces: readonly Piece[],
  plan: CutPlan,
  { kerfMm }: Allowances,
): Sentence | '' {
  const [log] = plan.strips
  if (pieces.length !== 1 || plan.way !== 'as_poured' || !log) return ''
  const bars = log.columns.length + 1
  const thicknessMm = thicknessForBars(lengthMm, bars, { endTrimMm: 0, kerfMm })
  if (thicknessMm === undefined) return ''
  return sentence('one_more_of_each_log', { thickness: quantity.most('length', thicknessMm), bars })
}

/** Why a plan wastes much of the block, and what would mend it; undefined where it does not. */
export function explainWaste(
  block: RoughBlock,
  pieces: readonly Piece[],
  plan: CutPlan,
  allowances: Allowances,
): Finding | undefined {
  if (plan.wasteShare <= wasteToExplain) return undefined
  const [most] = wasteOf(block, pieces, plan, allowances)
  if (!most) return undefined
  const usable = usableOf(block, plan.round, allowances)
  const { nearMm, leftMm } = trimsOf(plan.round, allowances)
  const log = plan.strips[0]
  const usedMm = (lengths: readonly number[]): number =>
    lengths.reduce((sum, mm) => sum + mm, 0) + Math.max(0, lengths.length - 1) * allowances.kerfMm
  const restMm: Readonly<Record<WasteKind, number>> = {
    trims: Math.max(nearMm, leftMm, allowances.topMm),
    cuts: allowances.kerfMm,
    beside_logs: usable.widthMm - usedMm(plan.strips.map(({ widthMm }) => widthMm)),
    end_of_logs: usable.lengthMm - usedMm((log?.columns ?? []).map(({ alongMm }) => alongMm)),
    in_columns: restInColumn(pieces, plan, usable, allowances),
    not_wanted: 0,
  }
  return tell('waste_explained', {
    waste: quantity.share(plan.wasteShare, 0),
    part: quantity.share(most.share, 0),
    kind: most.kind,
    rest: quantity.length(restMm[most.kind]),
    mend: most.kind === 'end_of_logs' ? mendOf(usable, pieces, plan, allowances) : '',
  })
}

/** Height that is left over the pieces of the first column, mm. */
function restInColumn(
  pieces: readonly Piece[],
  plan: CutPlan,
  { heightMm }: RoughBlock,
  { kerfMm }: Allowances,
): number {
  const piece = pieces[plan.strips[0]?.columns[0]?.piece ?? 0]
  if (!piece) return 0
  const { layers } = laid(piece, plan.way, heightMm, kerfMm)
  const depthMm = plan.way === 'as_poured' ? piece.faceHeightMm : piece.thicknessMm
  return heightMm - roomOf(layers, depthMm, kerfMm)
}
