import type { MoveLine, SectionPoint } from './moves'
import { isTool, moveOf, moveSpecs } from './moves'
import type { MouldSection } from './section'

/** Whether a move is made in one place across the loaf, which may change along it. */
export function canFollowALine({ kind, plane }: Pick<MoveLine, 'kind' | 'plane'>): boolean {
  const { figures } = moveSpecs[kind]
  return isTool(kind) ? plane !== 'plan' : figures.includes('xMm') && !figures.includes('zMm')
}

/**
 * Where a line seen from above runs across the loaf, mm from the left wall; straight from point to point, and on as it
 * ends before and after them.
 *
 * @param line `yMm` is along the loaf, from its near end
 * @param alongMm place along the loaf, mm from its near end
 * @throws {RangeError} if the line has no point
 */
export function acrossAt(line: readonly SectionPoint[], alongMm: number): number {
  const points = [...line].sort((a, b) => a.yMm - b.yMm)
  const after = points.findIndex(({ yMm }) => yMm >= alongMm)
  const next = points.at(after)
  if (!next) throw new RangeError('Expected a line with a point at least')
  const before = points[after - 1]
  if (after <= 0 || !before || next.yMm === before.yMm) return next.xMm
  return before.xMm + ((next.xMm - before.xMm) * (alongMm - before.yMm)) / (next.yMm - before.yMm)
}

/** Whether any move changes its place along the loaf. */
export const changesAlong = (lines: readonly MoveLine[]): boolean =>
  lines.some((line) => (line.along ?? []).length > 0 && canFollowALine(line))

/** The moves as they are made in one section: each where its line runs there. */
export function linesAt(
  lines: readonly MoveLine[],
  alongMm: number,
  { widthMm }: Pick<MouldSection, 'widthMm'>,
): readonly MoveLine[] {
  const within = (mm: number): number => Math.min(widthMm, Math.max(0, mm))
  return lines.map(({ along = [], ...line }) => {
    if (along.length === 0 || !canFollowALine(line)) return line
    const at = acrossAt(along, alongMm)
    if (!isTool(line.kind)) return { ...line, xMm: within(at) }
    const { path } = moveOf(line)
    const places = path.map(({ xMm }) => xMm)
    const shiftMm = at - (Math.min(...places) + Math.max(...places)) / 2
    return { ...line, path: path.map(({ xMm, yMm }) => ({ xMm: within(xMm + shiftMm), yMm })) }
  })
}
