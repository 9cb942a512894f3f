import type { Finding, Sentence } from '../findings'
import { quantity, refuse, sentence, warn } from '../findings'
import { isWithin } from '../units'
import type { MoveFigure, MoveLine } from './moves'
import { isTool, moveFigures, moveOf, moveSpecs, partsPoured } from './moves'
import type { MouldSection } from './section'
import { potAreasMm2 } from './section'
import type { Simulation } from './simulate'
import { simulatePour } from './simulate'

export const mostMoves = 200
const partTolerance = 0.001

/** What is wrong with a figure of a move. */
function figureFault(figure: MoveFigure): Sentence {
  const { min, max } = moveFigures[figure].range
  switch (figure) {
    case 'angleDeg':
      return sentence('move_angle_range', { most: max })
    case 'turnDeg':
      return sentence('move_turn_range', { most: max })
    case 'count':
      return sentence('move_count_range', { least: min, most: max })
    default:
      return sentence('move_length_range', {
        figure,
        least: quantity.least('length', min),
        most: quantity.most('length', max),
      })
  }
}

function checkMove(line: MoveLine, pots: number, section: MouldSection): Sentence | undefined {
  const { widthMm, heightMm, lengthMm } = section
  const spec = moveSpecs[line.kind]
  const move = moveOf(line)
  if (spec.pours === 'many' && move.pots.length < 2) return sentence('move_wants_two_pots')
  for (const { pot, part } of move.pots) {
    if (!Number.isInteger(pot) || pot < 0 || pot >= pots) return sentence('move_pot_unknown')
    if (!(part > 0 && part <= 1)) return sentence(line.kind === 'dividers' ? 'cell_part_range' : 'move_part_range')
  }
  if (move.waitMin < 0 || !(move.waitMin <= 600)) return sentence('move_wait_range')
  for (const figure of spec.figures) {
    const { range } = moveFigures[figure]
    // As typed: what a trace makes of it may go beyond.
    if (!isWithin(line[figure] ?? move[figure], range)) return figureFault(figure)
  }
  if (spec.figures.includes('xMm') && move.xMm > widthMm)
    return sentence('move_beside_mould', { width: quantity.length(widthMm) })
  if (spec.figures.includes('zMm') && move.zMm > lengthMm)
    return sentence('move_beyond_mould', { length: quantity.length(lengthMm) })
  if (line.kind === 'embed') {
    if (move.sizeMm > widthMm) return sentence('embed_too_wide', { width: quantity.length(widthMm) })
    if (move.yMm > heightMm) return sentence('embed_above_brim', { height: quantity.length(heightMm) })
  }
  if (isTool(line.kind)) {
    if (move.path.length < 2) return sentence('path_wants_two_points')
    const upMm = move.plane === 'plan' ? lengthMm : heightMm
    const isOff = move.path.some(
      ({ xMm, yMm }) => !isWithin(xMm, { min: 0, max: widthMm }) || !isWithin(yMm, { min: 0, max: upMm }),
    )
    if (isOff) return sentence('path_leaves_mould')
  }
  const isLineOff = (line.along ?? []).some(
    ({ xMm, yMm }) => !isWithin(xMm, { min: 0, max: widthMm }) || !isWithin(yMm, { min: 0, max: lengthMm }),
  )
  if (isLineOff) return sentence('line_leaves_mould')
  return undefined
}

/**
 * What is wrong with a pour plan, and what is left in the pots. Never throws on what a maker can draw.
 *
 * @param pots batter of each pot, g
 */
export function checkPourPlan(
  lines: readonly MoveLine[],
  pots: readonly { readonly name: string; readonly massG: number }[],
  section: MouldSection,
): readonly Finding[] {
  const findings: Finding[] = []
  if (lines.length > mostMoves) {
    return [refuse('too_many_moves', { most: mostMoves }, 'pourPlan')]
  }
  lines.forEach((line, index) => {
    const fault = checkMove(line, pots.length, section)
    if (fault) findings.push(refuse('move_impossible', { move: index + 1, fault }, `pourPlan[${index}]`))
  })
  if (lines.length === 0 || findings.length > 0) return findings
  partsPoured(lines, pots.length).forEach((part, index) => {
    const { name, massG } = pots[index] ?? { name: '', massG: 0 }
    const off = quantity.mass(Math.abs(1 - part) * massG)
    if (part > 1 + partTolerance) findings.push(refuse('pot_used_over', { pot: name, off }, 'pourPlan'))
    else if (part < 1 - partTolerance) findings.push(warn('pot_left_over', { pot: name, off }, 'pourPlan'))
  })
  return [...findings, ...overflows(lines, pots, section)]
}

/** How high the batter stands at the walls and at the most after each move, mm. */
export function heightsAfter(
  lines: readonly MoveLine[],
  areasMm2: readonly number[],
  section: MouldSection,
): Simulation['heightsMm'] {
  // Tools move nothing up or down.
  const poured = lines.map((line) => (isTool(line.kind) ? ({ kind: 'spray' } as const) : line))
  return simulatePour(poured, areasMm2, section).heightsMm
}

/** Moves after which batter stands above the brim; a piped or textured top may. */
function overflows(
  lines: readonly MoveLine[],
  pots: readonly { readonly massG: number }[],
  section: MouldSection,
): readonly Finding[] {
  const heightsMm = heightsAfter(
    lines,
    potAreasMm2(
      pots.map(({ massG }) => massG),
      section,
    ),
    section,
  )
  const index = heightsMm.findIndex(({ topMm }, at) => {
    const kind = lines[at]!.kind
    return topMm > section.heightMm + 0.5 && kind !== 'pipe' && kind !== 'texture' && kind !== 'drizzle'
  })
  if (index < 0) return []
  const overMm = heightsMm[index]!.topMm - section.heightMm
  const isPropped = lines[index]!.kind === 'sloped'
  return [
    refuse(
      'overflow',
      { move: index + 1, over: quantity.length(Math.max(1, overMm)), isPropped: isPropped ? 'yes' : 'no' },
      `pourPlan[${index}]`,
    ),
  ]
}
