import type { BatchPlan, PlannedMove } from '../batch'
import type { Mould } from '../mould'
import { levelTeaspoonG } from '../units'
import type { MoveFigure, MoveLine } from './moves'
import { moveOf, moveSpecs } from './moves'
import { sectionOf } from './section'
import { propHeightMm } from './slope'

/** Powder that covers a surface with one even dusting, g/m². An estimate: a level teaspoon on 8 × 25 cm. */
export const dustingGPerM2 = levelTeaspoonG / (0.08 * 0.25)

/**
 * The moves of a pour plan as the bench works by them.
 *
 * @param moulds what is filled, each kind with its count
 * @throws {RangeError} if a mould is out of range
 */
export function plannedMoves(
  lines: readonly MoveLine[],
  moulds: readonly { readonly mould: Mould; readonly count: number }[],
): readonly PlannedMove[] {
  const section = moulds[0] && sectionOf(moulds[0].mould)
  const surfaceM2 = moulds.reduce((sum, { mould, count }) => {
    const { widthMm, lengthMm } = sectionOf(mould)
    return sum + (count * widthMm * lengthMm) / 1e6
  }, 0)
  return lines.map((line): PlannedMove => {
    const spec = moveSpecs[line.kind]
    const move = moveOf(line)
    const figures = Object.fromEntries(spec.figures.map((figure: MoveFigure) => [figure, move[figure]]))
    return {
      kind: line.kind,
      figures,
      pots: move.pots,
      trace: spec.pours !== 'none' || spec.isDrawn ? move.trace : null,
      waitMin: move.waitMin,
      ...(line.kind === 'sloped' && section ? { propMm: propHeightMm(move.angleDeg, section) } : {}),
      ...(line.kind === 'powder' ? { powder: { name: line.name ?? '', massG: dustingGPerM2 * surfaceM2 } } : {}),
      line,
    }
  })
}

/** The pour plan that a batch was begun with. */
export const linesOfPlan = ({ moves = [] }: Pick<BatchPlan, 'moves'>): readonly MoveLine[] =>
  // Kept as it was planned.
  moves.map(({ line }) => line as MoveLine)
