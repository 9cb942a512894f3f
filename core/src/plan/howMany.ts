/** How one soap sold through one channel after one release. */
export interface SalesResult {
  readonly channel: string
  readonly offered: number
  readonly sold: number
  /** Days until it was sold out, or on sale when it was not. */
  readonly days: number
}

export interface BarsEstimate {
  /** One release in ten would have sold fewer than `low`, one in ten more than `high`. */
  readonly low: number
  readonly likely: number
  readonly high: number
  /** Past releases it rests on. */
  readonly releases: number
  readonly reason: string
}

/**
 * Spread between releases of the natural logarithm of sales a day, before any is known: half as much again or a third
 * less. An estimate, and the weight it keeps, in releases.
 */
const priorSpread = 0.5
const priorWeight = 2
const decile = 1.2816 // standard normal, 90 %

/**
 * Bars that would sell within `windowDays` through one channel, from past releases of the same soap: sales a day are
 * taken as log-normal between releases, their spread shrunk towards a prior one. Bars sold out early count at the pace
 * at which they went, so that an empty stall does not read as low demand.
 *
 * @returns undefined without any past release that sold something
 * @throws {RangeError} if the window is not above 0
 */
export function howManyBars(results: readonly SalesResult[], windowDays: number): BarsEstimate | undefined {
  if (!(windowDays > 0)) throw new RangeError(`Expected a window above 0 days, got ${windowDays}`)
  const told = results.filter(({ sold, days }) => sold > 0 && days > 0)
  if (told.length === 0) return undefined
  const logs = told.map(({ sold, days }) => Math.log(sold / days))
  const mean = logs.reduce((sum, value) => sum + value, 0) / logs.length
  const squares = logs.reduce((sum, value) => sum + (value - mean) ** 2, 0)
  const variance = (squares + priorWeight * priorSpread ** 2) / (Math.max(0, logs.length - 1) + priorWeight)
  const spread = Math.sqrt(variance * (1 + 1 / logs.length))
  const at = (z: number): number => Math.round(Math.exp(mean + z * spread) * windowDays)
  const soldOut = told.filter(({ sold, offered }) => sold >= offered).length
  const pace = Math.exp(mean)
  const times = told.length === 1 ? 'once' : `${told.length} times`
  return {
    low: at(-decile),
    likely: at(0),
    high: at(decile),
    releases: told.length,
    reason: `Released ${times}, sold out ${soldOut === 0 ? 'never' : soldOut === told.length ? 'each time' : `${soldOut} of ${told.length}`}; about ${pace >= 1 ? pace.toFixed(0) : pace.toFixed(1)} bars a day at first (estimate).`,
  }
}
