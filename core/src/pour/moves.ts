import type { Finding } from '../findings'
import type { Range } from '../units'
import { formatQuantity, isWithin } from '../units'

/** A point in the cross-section of a mould, mm from its left wall and from its base. */
export interface SectionPoint {
  readonly xMm: number
  readonly yMm: number
}

export const moveKinds = ['level', 'sloped', 'drop', 'hanger', 'skewer'] as const
export type MoveKind = (typeof moveKinds)[number]

/** Batter that is poured: from which pot and how much of it. */
interface Poured {
  /** Place of the pot among the design's colours. */
  readonly pot: number
  /** Part of the pot, 0 to 1. */
  readonly part: number
}

/** A tool drawn along a path. */
interface Drawn<Tool extends string> {
  readonly kind: Tool
  readonly path: readonly SectionPoint[]
}

/** One move of a pour plan, in the order of the work. */
export type PourMove =
  /** Poured over a spatula, so that it lies level on what is there. */
  | ({ readonly kind: 'level' } & Poured)
  /** Poured while the mould is propped, so that it rises to the right by this angle, ° (to the left below 0). */
  | ({ readonly kind: 'sloped'; readonly angleDeg: number } & Poured)
  /** Poured in one place from a height: it sinks by so much into what is there, and spreads so far to each side. */
  | ({ readonly kind: 'drop'; readonly xMm: number; readonly sinkMm: number; readonly spreadMm: number } & Poured)
  /** A bent wire, or a skewer, drawn through the batter along a path. */
  | Drawn<'hanger'>
  | Drawn<'skewer'>

/** A move as it is kept: its kind, and of the rest what the kind needs. */
export interface MoveLine {
  readonly kind: MoveKind
  readonly pot?: number | undefined
  readonly part?: number | undefined
  readonly angleDeg?: number | undefined
  readonly xMm?: number | undefined
  readonly sinkMm?: number | undefined
  readonly spreadMm?: number | undefined
  readonly path?: readonly SectionPoint[] | undefined
}

/** What a new move has until its maker says more. Estimates from usual practice. */
export const usualMove = { angleDeg: 15, sinkMm: 15, spreadMm: 20 } as const

/** Moves from their lines. */
export function movesOf(lines: readonly MoveLine[]): readonly PourMove[] {
  return lines.map((line): PourMove => {
    const { kind, pot = 0, part = 1, path = [] } = line
    const { angleDeg = usualMove.angleDeg, sinkMm = usualMove.sinkMm, spreadMm = usualMove.spreadMm, xMm = 0 } = line
    switch (kind) {
      case 'level':
        return { kind, pot, part }
      case 'sloped':
        return { kind, pot, part, angleDeg }
      case 'drop':
        return { kind, pot, part, xMm, sinkMm, spreadMm }
      default:
        return { kind, path }
    }
  })
}

/** The inside of a mould across its length, mm. */
export interface MouldSection {
  readonly widthMm: number
  /** Height up to the brim. */
  readonly heightMm: number
  /** Height up to which all the batter fills it. */
  readonly fillMm: number
}

/** Reach of a tool: the radius at which the batter is dragged along with about 0.6 of its way, mm. Estimates. */
export const toolRadiusMm: Readonly<Record<'hanger' | 'skewer', number>> = { hanger: 6, skewer: 3 }
export const slopeRange: Range = { min: -40, max: 40 }
export const mostMoves = 200
const partTolerance = 0.001

const isPoured = (move: PourMove): move is PourMove & Poured => 'pot' in move

/** How much of each pot the moves pour, 1 for all of it. */
export function partsPoured(moves: readonly PourMove[], pots: number): readonly number[] {
  const parts = new Array<number>(pots).fill(0)
  for (const move of moves) if (isPoured(move)) parts[move.pot] = (parts[move.pot] ?? 0) + move.part
  return parts.slice(0, pots)
}

function checkMove(move: PourMove, pots: number, section: MouldSection): string | undefined {
  const { widthMm, heightMm } = section
  if (isPoured(move)) {
    if (!Number.isInteger(move.pot) || move.pot < 0 || move.pot >= pots) return 'Choose a pot that the soap has.'
    if (!(move.part > 0 && move.part <= 1)) return 'Pour more than nothing and at most all of the pot.'
  }
  if (move.kind === 'sloped' && !isWithin(move.angleDeg, slopeRange))
    return `The mould can be propped by up to ${slopeRange.max}°.`
  if (move.kind === 'drop') {
    if (!isWithin(move.xMm, { min: 0, max: widthMm }))
      return `That is beside the mould, which is ${formatQuantity('length', widthMm)} wide.`
    if (!(move.spreadMm >= 1) || !(move.sinkMm >= 0)) return 'A drop spreads by 1 mm at least, and sinks by 0 or more.'
  }
  if (move.kind === 'hanger' || move.kind === 'skewer') {
    if (move.path.length < 2) return 'Draw its path with two points at least.'
    const isOff = move.path.some(
      ({ xMm, yMm }) => !isWithin(xMm, { min: 0, max: widthMm }) || !isWithin(yMm, { min: 0, max: heightMm }),
    )
    if (isOff) return 'Its path leaves the mould. Keep it between the walls, the base and the brim.'
  }
  return undefined
}

/**
 * What is wrong with a pour plan, and what is left in the pots. Never throws on what a maker can draw.
 *
 * @param potsG batter of each pot, g
 */
export function checkPourPlan(
  moves: readonly PourMove[],
  pots: readonly { readonly name: string; readonly massG: number }[],
  section: MouldSection,
): readonly Finding[] {
  const findings: Finding[] = []
  if (moves.length > mostMoves)
    return [
      {
        severity: 'refuse',
        code: 'too_many_moves',
        field: 'pourPlan',
        message: `At most ${mostMoves} moves fit a pour.`,
      },
    ]
  moves.forEach((move, index) => {
    const message = checkMove(move, pots.length, section)
    if (message !== undefined)
      findings.push({ severity: 'refuse', code: 'move_impossible', field: `pourPlan[${index}]`, message })
  })
  if (moves.length === 0 || findings.length > 0) return findings
  partsPoured(moves, pots.length).forEach((part, index) => {
    const { name, massG } = pots[index] ?? { name: '', massG: 0 }
    const off = formatQuantity('mass', Math.abs(1 - part) * massG, { digits: 0 })
    if (part > 1 + partTolerance)
      findings.push({
        severity: 'refuse',
        code: 'pot_used_over',
        field: 'pourPlan',
        message: `${name}: the moves pour ${off} more than the pot holds.`,
      })
    else if (part < 1 - partTolerance)
      findings.push({
        severity: 'warn',
        code: 'pot_left_over',
        field: 'pourPlan',
        message: `${name}: ${off} are left over. Pour the rest, or make the pot smaller.`,
      })
  })
  return findings
}
