import type { MoveLine } from '../moves'
import { moveOf, moveSpecs } from '../moves'
import { traces } from '../trace'
import type { WorkingEstimate } from './estimate'
import { shareBelow } from '../../random'
import { minutesBelow, potsMin } from './estimate'
import type { Thickening } from './thickening'
import type { PotPace } from './factors'
import { minutesUntil, scaledThickening, thickenedAt, thickeningOfPot, traceBegins, traceEnds } from './thickening'

/** A move on the clock, minutes after emulsion. */
export interface TimedMove {
  readonly index: number
  readonly startMin: number
  readonly endMin: number
  /** From when to when the batter is as the move needs it. */
  readonly fromMin: number
  readonly untilMin: number
  readonly isInTime: boolean
}

/** How thin and how thick the batter may be for a move: from the trace that it is planned at to the thickest that still does. */
function limitsOf(line: MoveLine): readonly [number, number] {
  const [thinnest, thickest] = moveSpecs[line.kind].traces
  const planned = line.trace
  const least = planned && traces.indexOf(planned) > traces.indexOf(thinnest) ? planned : thinnest
  const most = traces.indexOf(thickest) > traces.indexOf(least) ? thickest : least
  return [traceBegins[least], traceEnds[most]]
}

const evenPace: PotPace = { times: 1, isScented: true }

/** When the pots are coloured and the first move can begin, minutes after emulsion. */
export const potsReadyMin = (pots: number): number => potsMin.once + potsMin.eachPot * pots

/** How long a batter still waits: the ends of the band that holds eight in ten, and the likely time. Never below 0. */
export function windowLeft(estimate: WorkingEstimate, sinceMin: number) {
  const left = (share: number): number => Math.max(0, minutesBelow(estimate, 1, share) - sinceMin)
  return { fromMin: left(0.1), likelyMin: left(0.5), untilMin: left(0.9) }
}

/** The estimate for one pot. */
export const estimateOfPot = (estimate: WorkingEstimate, pace: PotPace): WorkingEstimate => ({
  ...estimate,
  thickening: thickeningOfPot(estimate.thickening, pace),
})

/** Nothing of the batter in the pots is needed for it any more. */
const needsNoTrace = (line: MoveLine): boolean => line.kind === 'spray' || line.kind === 'texture'

/**
 * The pour plan laid on the clock of a batter: each move as soon as the one before is done and the batter is thick
 * enough.
 *
 * @param beginMin when the first move can begin, minutes after emulsion; see {@link potsReadyMin}
 * @param paces what sets single pots apart
 * @throws {RangeError} if a time of the thickening is not above 0
 */
export function planOnTheClock(
  lines: readonly MoveLine[],
  thickening: Thickening,
  beginMin: number,
  paces: readonly PotPace[] = [],
): readonly TimedMove[] {
  let clockMin = beginMin
  return lines.map((line, index) => {
    const { waitMin, pots } = moveOf(line)
    const poured = pots.map(({ pot }) => thickeningOfPot(thickening, paces[pot] ?? evenPace))
    const [least, most] = limitsOf(line)
    // Of several pots the slowest says when it can begin, the fastest when it has to be done.
    const batters = poured.length > 0 ? poured : [thickening]
    const fromMin = needsNoTrace(line) ? 0 : Math.max(...batters.map((one) => minutesUntil(least, one)))
    const untilMin = needsNoTrace(line) ? Infinity : Math.min(...batters.map((one) => minutesUntil(most, one)))
    const startMin = Math.max(clockMin + waitMin, fromMin)
    const endMin = startMin + moveSpecs[line.kind].handsMin
    clockMin = endMin
    return { index, startMin, endMin, fromMin, untilMin, isInTime: endMin <= untilMin + 1e-9 }
  })
}

/** The least ratio of a batter’s time to that of a likely one with which every move is still in time. */
export function leastSlowness(
  lines: readonly MoveLine[],
  likely: Thickening,
  beginMin: number,
  paces: readonly PotPace[] = [],
): number {
  const isDone = (slowness: number): boolean =>
    planOnTheClock(lines, scaledThickening(likely, slowness), beginMin, paces).every(({ isInTime }) => isInTime)
  if (lines.length === 0) return 0
  let [low, high] = [0.01, 100]
  if (!isDone(high)) return Infinity
  for (let step = 0; step < 60; step++) {
    const middle = Math.sqrt(low * high)
    if (isDone(middle)) high = middle
    else low = middle
  }
  return high
}

/** The chance that every move is done before the batter is too thick for it, 0 to 1. */
export function chanceToFinish(
  lines: readonly MoveLine[],
  estimate: WorkingEstimate,
  beginMin: number,
  paces: readonly PotPace[] = [],
): number {
  const least = leastSlowness(lines, estimate.thickening, beginMin, paces)
  if (least === 0) return 1
  if (!Number.isFinite(least)) return 0
  return 1 - shareBelow(Math.log(least) / estimate.spread)
}

/** How far a batter has thickened over time, at the likely pace and at the ends of a band, for a chart. */
export function thickeningCurve(
  estimate: WorkingEstimate,
  slowness: readonly number[],
  untilMin: number,
  points = 60,
): readonly { readonly minutes: number; readonly thickened: readonly number[] }[] {
  return Array.from({ length: points + 1 }, (_, at) => {
    const minutes = (at / points) * untilMin
    return { minutes, thickened: slowness.map((by) => thickenedAt(minutes, scaledThickening(estimate.thickening, by))) }
  })
}
