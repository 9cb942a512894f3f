import type { Sentence } from '../../findings'
import { sentence } from '../../findings'
import type { CutPlan } from './planCuts'
import type { Allowances, Piece, RoughBlock } from './pieces'
import { laid, roomOf, trimsOf, usableOf, volumeOf } from './pieces'
import { roundTo } from '../../units'

/** A piece where it lies in the block, seen from above, mm from the corner nearest to the maker. */
export interface DrawnColumn {
  readonly piece: number
  readonly pieces: number
  readonly leftMm: number
  readonly nearMm: number
  readonly acrossMm: number
  readonly alongMm: number
}

/** Cuts of one stage, in the order in which they are made. */
export interface CutStage {
  readonly key: 'logs' | 'bars' | 'part'
  readonly title: Sentence
  /** Where they are marked, mm from the left or from the near end; of the bars those of each log. */
  readonly marks: readonly { readonly of: Sentence; readonly atMm: readonly number[] }[]
}

/** How wide and long the block lies before the maker when its logs run one way. */
export function lying(block: RoughBlock, { round }: Pick<CutPlan, 'round'>): { acrossMm: number; alongMm: number } {
  return round === 'along'
    ? { acrossMm: block.widthMm, alongMm: block.lengthMm }
    : { acrossMm: block.lengthMm, alongMm: block.widthMm }
}

/** The logs of a plan from the left, each with its columns where they lie. */
function drawnLogs(
  plan: CutPlan,
  allowances: Allowances,
): readonly { readonly endsMm: number; readonly columns: readonly DrawnColumn[] }[] {
  const { kerfMm } = allowances
  const trims = trimsOf(plan.round, allowances)
  let { leftMm } = trims
  return plan.strips.map(({ widthMm, columns }) => {
    const left = leftMm
    leftMm += widthMm + kerfMm
    let { nearMm } = trims
    const drawn = columns.map(({ piece, pieces, alongMm }) => {
      const near = nearMm
      nearMm += alongMm + kerfMm
      return { piece, pieces, alongMm, acrossMm: widthMm, leftMm: left, nearMm: near }
    })
    return { endsMm: left + widthMm, columns: drawn }
  })
}

/** Every column of a plan where it lies, for a drawing to scale. */
export const drawnColumns = (plan: CutPlan, allowances: Allowances): readonly DrawnColumn[] =>
  drawnLogs(plan, allowances).flatMap(({ columns }) => columns)

/** A mark as a ruler shows it, mm. */
const toTenth = (mm: number): number => roundTo(mm, 1)

/** The cuts of a plan, stage by stage: for the bench and for paper. */
export function cutStages(
  block: RoughBlock,
  pieces: readonly Piece[],
  plan: CutPlan,
  allowances: Allowances,
): readonly CutStage[] {
  const { topMm, kerfMm } = allowances
  const trims = trimsOf(plan.round, allowances)
  const usable = usableOf(block, plan.round, allowances)
  const drawn = drawnLogs(plan, allowances)
  const whole = lying(block, plan)
  const logs = [...(trims.leftMm > 0 ? [trims.leftMm] : []), ...drawn.map(({ endsMm }) => endsMm)].filter(
    (mm) => mm < whole.acrossMm - 0.05,
  )
  const bars = drawn.map(({ columns }, log) => ({
    of: drawn.length > 1 ? sentence('log_number', { log: log + 1 }) : sentence('the_log'),
    atMm: [
      ...(trims.nearMm > 0 ? [trims.nearMm] : []),
      ...columns.map(({ nearMm, alongMm }) => toTenth(nearMm + alongMm)),
    ].filter((mm) => mm < whole.alongMm - 0.05),
  }))
  const parted = pieces.flatMap((piece, kind) => {
    const { acrossMm, layers } = laid(piece, plan.way, usable.heightMm, kerfMm)
    const column = plan.strips.flatMap(({ widthMm, columns }) =>
      columns.filter((one) => one.piece === kind).map((one) => ({ ...one, widthMm })),
    )[0]
    if (!column) return []
    const beside = column.pieces / layers
    const across = Array.from({ length: beside }, (_, index) => toTenth(roomOf(index + 1, acrossMm, kerfMm)))
    const depthMm = plan.way === 'as_poured' ? piece.faceHeightMm : piece.thicknessMm
    const up = Array.from({ length: layers }, (_, index) => toTenth(roomOf(index + 1, depthMm, kerfMm)))
    return [
      { of: sentence('piece_across', { piece: piece.name }), atMm: across.filter((mm) => mm < column.widthMm - 0.05) },
      {
        of: sentence('piece_from_base', { piece: piece.name }),
        atMm: up.filter((mm) => mm < usable.heightMm + topMm - 0.05),
      },
    ].filter(({ atMm }) => atMm.length > 0)
  })
  return [
    {
      key: 'logs' as const,
      title: sentence('split_into_logs'),
      marks: logs.length > 0 ? [{ of: sentence('from_the_left'), atMm: logs.map(toTenth) }] : [],
    },
    { key: 'bars' as const, title: sentence('cut_across'), marks: bars.filter(({ atMm }) => atMm.length > 0) },
    { key: 'part' as const, title: sentence('part_block', { way: plan.way }), marks: parted },
  ].filter(({ marks }) => marks.length > 0)
}

/** Marks that lie equally far apart, mm: what a cutter is set to. */
export interface EvenMarks {
  readonly fromMm: number
  readonly toMm: number
  /** From each to the next; undefined for a mark on its own. */
  readonly everyMm: number | undefined
}

/** Fewer marks than this are no row. */
const fewestInRow = 3
/** Marks are told to a tenth: so much may two equal steps differ, mm. */
const roundingMm = 0.21

/** Marks in rising order, mm, as rows of equal steps, each as long as it can be, and those that stand alone. */
export function evenMarks(atMm: readonly number[]): readonly EvenMarks[] {
  const found: EvenMarks[] = []
  const stepTo = (at: number): number => atMm[at]! - atMm[at - 1]!
  for (let at = 0; at < atMm.length;) {
    let end = at + 1
    while (end < atMm.length && Math.abs(stepTo(end) - stepTo(at + 1)) < roundingMm) end += 1
    const last = end - at >= fewestInRow ? end - 1 : at
    const [fromMm, toMm] = [atMm[at]!, atMm[last]!]
    found.push({ fromMm, toMm, everyMm: last > at ? toTenth((toMm - fromMm) / (last - at)) : undefined })
    at = last + 1
  }
  return found
}

/** Mass of each kind of piece, g, where the block weighs so much; and cured, where it loses this share. */
export function pieceMasses(
  block: RoughBlock,
  pieces: readonly Piece[],
  blockG: number,
  cureLoss: number,
): readonly { readonly wetG: number; readonly curedG: number }[] {
  const blockMm3 = volumeOf(block)
  return pieces.map(({ faceWidthMm, faceHeightMm, thicknessMm }) => {
    const wetG = (blockG * faceWidthMm * faceHeightMm * thicknessMm) / blockMm3
    return { wetG, curedG: wetG * (1 - cureLoss) }
  })
}

/** The thickness at which a bar with this face weighs so much when it is cured, mm. @throws {RangeError} without a block */
export function thicknessForMass(
  block: RoughBlock,
  face: Pick<Piece, 'faceWidthMm' | 'faceHeightMm'>,
  blockG: number,
  cureLoss: number,
  curedG: number,
): number {
  const [one] = pieceMasses(block, [{ ...face, name: '', thicknessMm: 1, wanted: null }], blockG, cureLoss)
  if (!one || !(one.curedG > 0)) throw new RangeError('Expected a block that weighs something')
  return curedG / one.curedG
}
