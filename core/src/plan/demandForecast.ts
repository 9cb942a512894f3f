import type { Sentence } from '../findings'
import { quantity, sentence } from '../findings'

/** How one soap sold through one channel after one release. */
export interface SalesResult {
  readonly channel: string
  readonly offered: number
  readonly sold: number
  /** Days until it was sold out, or on sale when it was not. */
  readonly days: number
}

export interface DemandForecast {
  /** One release in ten would have sold fewer than `low`, one in ten more than `high`. */
  readonly low: number
  readonly likely: number
  readonly high: number
  /** Past releases it rests on. */
  readonly releases: number
  /** Of those, in how many it sold out. */
  readonly soldOut: number
}

/**
 * Spread between releases of the natural logarithm of what sells, before any is known: half as much again or a third
 * less. An estimate, and the weight it keeps, in releases.
 */
const priorSpread = 0.5
const priorWeight = 2
const decile = 1.2816 // standard normal, 90 %

/** Sales are brisk at first and slow down: days in which all but a third of what will ever sell has gone. An estimate. */
export const salesPaceDays = 10

const shareSoldBy = (days: number): number => 1 - Math.exp(-days / salesPaceDays)

/**
 * Bars that would sell within `windowDays` through one channel, from past releases of the same soap. What sold out
 * early is carried on to the end of the window at a slowing pace, so that an empty stall does not read as low demand.
 * Demand is taken as log-normal between releases, its spread shrunk towards a prior one.
 *
 * @returns undefined without any past release that sold something
 * @throws {RangeError} if the window is not above 0
 */
export function demandForecast(results: readonly SalesResult[], windowDays: number): DemandForecast | undefined {
  if (!(windowDays > 0)) throw new RangeError(`Expected a window above 0 days, got ${windowDays}`)
  const told = results.filter(({ sold, days }) => sold > 0 && days > 0)
  if (told.length === 0) return undefined
  const logs = told.map(({ sold, days }) => Math.log((sold * shareSoldBy(windowDays)) / shareSoldBy(days)))
  const mean = logs.reduce((sum, value) => sum + value, 0) / logs.length
  const squares = logs.reduce((sum, value) => sum + (value - mean) ** 2, 0)
  const variance = (squares + priorWeight * priorSpread ** 2) / (Math.max(0, logs.length - 1) + priorWeight)
  const spread = Math.sqrt(variance * (1 + 1 / logs.length))
  const at = (z: number): number => Math.round(Math.exp(mean + z * spread))
  return {
    low: at(-decile),
    likely: at(0),
    high: at(decile),
    releases: told.length,
    soldOut: told.filter(({ sold, offered }) => sold >= offered).length,
  }
}

/** The estimates for each channel that sold something, in the order in which the channels are told. */
export function demandByChannel(
  results: readonly SalesResult[],
  windowDays: number,
): readonly { readonly channel: string; readonly estimate: DemandForecast }[] {
  return [...new Set(results.map(({ channel }) => channel))].flatMap((channel) => {
    const estimate = demandForecast(
      results.filter((result) => result.channel === channel),
      windowDays,
    )
    return estimate ? [{ channel, estimate }] : []
  })
}

/** "Web: 30 to 96 bars would sell in 30 days, most likely 54 (on sale once, sold out each time; estimate)." */
export function demandSentences(results: readonly SalesResult[], windowDays: number): readonly Sentence[] {
  return demandByChannel(results, windowDays).map(({ channel, estimate: { low, likely, high, releases, soldOut } }) =>
    sentence('channel_demand', {
      channel,
      low,
      high,
      likely,
      window: quantity.days(windowDays),
      releases,
      soldOut,
      often: soldOut === 0 ? 'never' : soldOut === releases ? 'always' : 'sometimes',
    }),
  )
}
