import { normalFrom, randomFrom } from '../random'
import type { PourMove } from './moves'
import type { Eddy } from './pulls'
import type { MouldSection } from './section'
import { traceEffects } from './trace'

/** Hand and batter as they vary from pour to pour. The same seed gives the same picture. */
export interface Hand {
  /** Any whole number. */
  readonly seed: number
  /** How much they vary; 1 as usual. @default 1 */
  readonly amount?: number
  /** Place of the section along the loaf, mm from its near end: a hand also wanders within a pour. @default the middle */
  readonly alongMm?: number
}

/** Usual spread of a hand (one standard deviation). Estimates. */
const spreads = { placeMm: 2.5, sink: 0.18, spread: 0.12, angleDeg: 1.2, pathMm: 1.6, part: 0.04 } as const
/** Length of loaf over which a hand wanders once to and fro, mm, and by which part of its spread. Estimates. */
const wanderMm = 140
const wanderShare = 0.6
const eddyCount = 9

/** A spread that is drawn once for a pour, and wanders along it. */
function wandering(random: () => number, alongMm: number): (spread: number) => number {
  return (spread) => {
    const [steady, far, phase] = [normalFrom(random), normalFrom(random), random() * 2 * Math.PI]
    return spread * (steady + wanderShare * far * Math.sin((2 * Math.PI * alongMm) / wanderMm + phase))
  }
}

/** The moves as a hand makes them. Every pot still gives as much as it was to give. */
export function movesByHand(moves: readonly PourMove[], hand: Hand, section: MouldSection): readonly PourMove[] {
  const { seed, amount = 1, alongMm = section.lengthMm / 2 } = hand
  const within = (mm: number, most: number): number => Math.min(most, Math.max(0, mm))
  const made = moves.map((move, index): PourMove => {
    const random = randomFrom(seed * 1009 + index * 31 + 1)
    const wander = wandering(random, alongMm)
    const off = (spread: number): number => amount * wander(spread)
    const factor = (spread: number): number => Math.exp(off(spread))
    const shift = { xMm: off(spreads.pathMm), yMm: off(spreads.pathMm) }
    return {
      ...move,
      xMm: within(move.xMm + off(spreads.placeMm), section.widthMm),
      sinkMm: move.sinkMm * factor(spreads.sink),
      spreadMm: move.spreadMm * factor(spreads.spread),
      angleDeg: move.kind === 'sloped' ? move.angleDeg + off(spreads.angleDeg) : move.angleDeg,
      path: move.path.map(({ xMm, yMm }) => ({
        xMm: within(xMm + shift.xMm + amount * spreads.pathMm * 0.5 * normalFrom(random), section.widthMm),
        yMm: within(
          yMm + shift.yMm + amount * spreads.pathMm * 0.5 * normalFrom(random),
          move.plane === 'plan' ? section.lengthMm : section.heightMm,
        ),
      })),
      pots: move.pots.map(({ pot, part }) => ({ pot, part: part * factor(spreads.part) })),
    }
  })
  const wanted = potTotals(moves)
  const got = potTotals(made)
  const backTo = (pot: number): number => {
    const total = got.get(pot) ?? 0
    return total > 0 ? (wanted.get(pot) ?? 0) / total : 0
  }
  return made.map((move) => ({
    ...move,
    pots: move.pots.map(({ pot, part }) => ({ pot, part: part * backTo(pot) })),
  }))
}

function potTotals(moves: readonly PourMove[]): ReadonlyMap<number, number> {
  const totals = new Map<number, number>()
  for (const { pots } of moves) for (const { pot, part } of pots) totals.set(pot, (totals.get(pot) ?? 0) + part)
  return totals
}

/** The slow eddies that a pour leaves in its batter, the larger the thicker it was. */
export function eddiesOf(moves: readonly PourMove[], { seed, amount = 1, alongMm = 0 }: Hand): readonly Eddy[] {
  const pours = moves.filter(({ pots }) => pots.length > 0)
  if (pours.length === 0) return []
  const foldMm = pours.reduce((sum, { trace }) => sum + traceEffects[trace].foldMm, 0) / pours.length
  const random = randomFrom(seed * 7919 + 17)
  return Array.from({ length: eddyCount }, (_, index) => {
    // From half a loaf's width down to about a centimetre.
    const wave = (2 * Math.PI) / (46 * 0.84 ** index)
    const [angle, phase, way] = [random() * Math.PI, random() * 2 * Math.PI, random() - 0.5]
    return {
      waveX: wave * Math.cos(angle),
      waveY: wave * Math.sin(angle),
      phase: phase + (way * 4 * Math.PI * alongMm) / wanderMm,
      reachMm: amount * foldMm * (0.5 + random()),
    }
  })
}
