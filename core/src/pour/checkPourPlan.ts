import type { Finding } from '../findings'
import { formatQuantity, isWithin } from '../units'
import type { MoveFigure, MoveLine } from './moves'
import { isTool, moveFigures, moveOf, moveSpecs, partsPoured } from './moves'
import type { MouldSection } from './section'
import { potAreasMm2 } from './section'
import type { Simulation } from './simulate'
import { simulatePour } from './simulate'

export const mostMoves = 200
const partTolerance = 0.001
const mm = (lengthMm: number): string => formatQuantity('length', lengthMm, { digits: 0 })

function figureFault(figure: MoveFigure): string {
  const { min, max } = moveFigures[figure].range
  const from = (least: string): string => `${least} at least, and ${mm(max)} at the most.`
  switch (figure) {
    case 'angleDeg':
      return `The mould can be propped by up to ${max}°.`
    case 'turnDeg':
      return `It can be turned by up to ${max}° to either side.`
    case 'count':
      return `Take from ${min} to ${max} of them.`
    case 'spreadMm':
      return `It spreads by ${from(mm(min))}`
    case 'sizeMm':
      return `It is ${from(mm(min))}`
    case 'peakMm':
      return `The peaks are ${from(mm(min))}`
    case 'fallMm':
      return `It falls by ${from(mm(min))}`
    default:
      return `Its place is ${from(mm(min))}`
  }
}

function checkMove(line: MoveLine, pots: number, section: MouldSection): string | undefined {
  const { widthMm, heightMm, lengthMm } = section
  const spec = moveSpecs[line.kind]
  const move = moveOf(line)
  if (spec.pours === 'many' && move.pots.length < 2) return 'Choose two pots at least, in the order they are poured.'
  for (const { pot, part } of move.pots) {
    if (!Number.isInteger(pot) || pot < 0 || pot >= pots) return 'Choose a pot that the soap has.'
    if (!(part > 0 && part <= 1))
      return line.kind === 'dividers'
        ? 'A cell without batter has no width. Pour more than nothing into each, and at most all of its pot.'
        : 'Pour more than nothing and at most all of the pot.'
  }
  if (move.waitMin < 0 || !(move.waitMin <= 600)) return 'Wait from 0 to 600 minutes.'
  for (const figure of spec.figures) {
    const { range } = moveFigures[figure]
    // As typed: what a trace makes of it may go beyond.
    if (!isWithin(line[figure] ?? move[figure], range)) return figureFault(figure)
  }
  if (spec.figures.includes('xMm') && move.xMm > widthMm)
    return `That is beside the mould, which is ${mm(widthMm)} wide.`
  if (spec.figures.includes('zMm') && move.zMm > lengthMm)
    return `That is beyond the mould, which is ${mm(lengthMm)} long.`
  if (line.kind === 'embed') {
    if (move.sizeMm > widthMm) return `It does not go into the mould, which is ${mm(widthMm)} wide.`
    if (move.yMm > heightMm) return `That is above the brim, which is ${mm(heightMm)} high.`
  }
  if (isTool(line.kind)) {
    if (move.path.length < 2) return 'Draw its path with two points at least.'
    const upMm = move.plane === 'plan' ? lengthMm : heightMm
    const isOff = move.path.some(
      ({ xMm, yMm }) => !isWithin(xMm, { min: 0, max: widthMm }) || !isWithin(yMm, { min: 0, max: upMm }),
    )
    if (isOff) return 'Its path leaves the mould. Keep it between the walls, the base and the brim.'
  }
  const isLineOff = (line.along ?? []).some(
    ({ xMm, yMm }) => !isWithin(xMm, { min: 0, max: widthMm }) || !isWithin(yMm, { min: 0, max: lengthMm }),
  )
  if (isLineOff) return 'Its line along the loaf leaves the mould. Keep it between the walls and the ends.'
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
  const refuse = (code: string, field: string, message: string) =>
    findings.push({ severity: 'refuse', code, field, message })
  if (lines.length > mostMoves) {
    refuse('too_many_moves', 'pourPlan', `At most ${mostMoves} moves fit a pour.`)
    return findings
  }
  lines.forEach((line, index) => {
    const message = checkMove(line, pots.length, section)
    if (message !== undefined) refuse('move_impossible', `pourPlan[${index}]`, `Move ${index + 1}: ${message}`)
  })
  if (lines.length === 0 || findings.length > 0) return findings
  partsPoured(lines, pots.length).forEach((part, index) => {
    const { name, massG } = pots[index] ?? { name: '', massG: 0 }
    const off = formatQuantity('mass', Math.abs(1 - part) * massG, { digits: 0 })
    if (part > 1 + partTolerance)
      refuse('pot_used_over', 'pourPlan', `${name}: the moves pour ${off} more than the pot holds.`)
    else if (part < 1 - partTolerance)
      findings.push({
        severity: 'warn',
        code: 'pot_left_over',
        field: 'pourPlan',
        message: `${name}: ${off} are left over. Pour the rest, or make the pot smaller.`,
      })
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
    {
      severity: 'refuse',
      code: 'overflow',
      field: `pourPlan[${index}]`,
      message: `Move ${index + 1}: the batter would stand ${mm(Math.max(1, overMm))} above the brim${
        isPropped ? ' on the high side. Prop the mould less, or pour less.' : '. Pour less, or take something out.'
      }`,
    },
  ]
}
