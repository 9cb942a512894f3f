import type { Day } from '../../calendar'
import { addDays } from '../../calendar'
import type { DemandForecast } from './demandForecast'

/** Bars of a soap that are there already, and until when they are at their best. */
export interface BarsOnHand {
  readonly bars: number
  readonly bestBeforeDay: Day
}

/** How many bars to make of a soap for its next release. */
export interface BarsToMake {
  /** Those that would likely go, over all channels. */
  readonly wanted: number
  /** Bars on hand that will still be at their best when the window ends. */
  readonly onHand: number
  /** Bars on hand that will not. */
  readonly tooOld: number
  readonly toMake: number
}

/**
 * Bars to make: what would likely go through all channels, less those that are there and keep.
 *
 * @param releaseDay from which they are on sale
 * @param windowDays for which they are to last
 */
export function barsToMakeFor(
  estimates: readonly DemandForecast[],
  onHand: readonly BarsOnHand[],
  releaseDay: Day,
  windowDays: number,
): BarsToMake {
  const wanted = estimates.reduce((sum, { likely }) => sum + likely, 0)
  const ends = addDays(releaseDay, windowDays)
  const sum = (keep: boolean): number =>
    onHand.reduce((all, { bars, bestBeforeDay }) => (bestBeforeDay >= ends === keep ? all + bars : all), 0)
  const [fresh, tooOld] = [sum(true), sum(false)]
  return { wanted, onHand: fresh, tooOld, toMake: Math.max(0, wanted - fresh) }
}
