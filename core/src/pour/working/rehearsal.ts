import type { Sentence } from '../../findings'
import { sentence } from '../../findings'
import { normalFrom, randomFrom } from '../../random'
import type { MoveLine } from '../moves'
import type { WorkingEstimate } from './estimate'
import type { BatterConditions } from './factors'
import { planOnTheClock, potsReadyMin } from './onTheClock'
import type { Thickening } from './thickening'
import { scaledThickening, thickenedAt, traceBegins, traceEnds } from './thickening'
import { moveSpecs } from '../moves'

/** A batter drawn at random from what may come. The same seed draws the same batter. */
export function drawBatter(estimate: WorkingEstimate, seed: number): Thickening {
  return scaledThickening(estimate.thickening, Math.exp(estimate.spread * normalFrom(randomFrom(seed))))
}

/** What was done in a rehearsal, minutes after emulsion. */
export type RehearsalEvent =
  | { readonly kind: 'move'; readonly index: number; readonly minutes: number }
  | { readonly kind: 'fall_back'; readonly minutes: number }

export interface RehearsedMove {
  readonly index: number
  readonly minutes: number
  /** Whether the batter was too thin for it, as it should be, or too thick. */
  readonly was: 'too_thin' | 'right' | 'too_thick'
}

export interface RehearsalScore {
  readonly moves: readonly RehearsedMove[]
  /** Moves at the right trace out of all that were to be made, 0 to 100. */
  readonly points: number
  readonly fellBackAtMin: number | undefined
  /** Whether the plan could have been finished with this batter, had no time been lost. */
  readonly couldFinish: boolean
  readonly verdict: Sentence
}

/** How right the trace was for a move that begins at a time. */
export function traceFits(line: MoveLine, minutes: number, batter: Thickening): RehearsedMove['was'] {
  const [thinnest, thickest] = moveSpecs[line.kind].traces
  const thickened = thickenedAt(minutes, batter)
  if (line.kind === 'spray' || line.kind === 'texture') return 'right'
  if (thickened < traceBegins[thinnest] - 1e-9) return 'too_thin'
  const endsAt = thickenedAt(minutes + moveSpecs[line.kind].handsMin, batter)
  return endsAt > traceEnds[thickest] ? 'too_thick' : 'right'
}

/**
 * Scores a rehearsal. Falling back counts for half of the moves that were left, where the plan could not have been
 * finished, and for nothing where it could.
 */
export function scoreRehearsal(
  lines: readonly MoveLine[],
  batter: Thickening,
  events: readonly RehearsalEvent[],
  { pots, paces }: Pick<BatterConditions, 'pots' | 'paces'>,
): RehearsalScore {
  const moves = events.flatMap((event): readonly RehearsedMove[] => {
    if (event.kind !== 'move') return []
    const line = lines[event.index]
    return line ? [{ index: event.index, minutes: event.minutes, was: traceFits(line, event.minutes, batter) }] : []
  })
  const couldFinish = planOnTheClock(lines, batter, potsReadyMin(pots), paces).every(({ isInTime }) => isInTime)
  const fell = events.find(({ kind }) => kind === 'fall_back')
  const right = moves.filter(({ was }) => was === 'right').length
  const left = Math.max(0, lines.length - moves.length)
  const credit = fell && !couldFinish ? left / 2 : 0
  const points = lines.length === 0 ? 0 : Math.round((100 * (right + credit)) / lines.length)
  const thick = moves.filter(({ was }) => was === 'too_thick').length
  const thin = moves.filter(({ was }) => was === 'too_thin').length
  const could = couldFinish ? 'yes' : 'no'
  const verdict = fell
    ? sentence('rehearsal_fell_back', { couldFinish: could })
    : thick > 0
      ? sentence('rehearsal_too_thick', { moves: thick, couldFinish: could })
      : thin > 0
        ? sentence('rehearsal_too_thin', { moves: thin })
        : sentence('rehearsal_right')
  return { moves, points, fellBackAtMin: fell?.minutes, couldFinish, verdict }
}
