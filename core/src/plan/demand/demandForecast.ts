import { gammaln } from 'simple-statistics'
import type { Sentence } from '../../findings'
import { quantity, sentence } from '../../findings'
import { shareBelow } from '../../random'
import type { ReleaseSales } from './salesResult'

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

/** What is believed of a soap before it was ever on sale: the logarithm of all that would ever go. */
export interface DemandPrior {
  readonly meanLog: number
  readonly spread: number
}

/** Of a soap of which nothing is known, in a workshop that has sold nothing: about 25 bars, give or take a factor. An estimate. */
export const unknownDemand: DemandPrior = { meanLog: Math.log(25), spread: 1 }
/** Spreads between releases of one soap, of the logarithm, with how likely each is before any is known. Estimates. */
const spreads = [
  [0.2, 0.18],
  [0.36, 0.34],
  [0.56, 0.32],
  [0.82, 0.16],
] as const
/** Days in which all but a third of what will ever sell has gone, with how likely each is. Estimates. */
const paces = [
  [4, 0.1],
  [7, 0.25],
  [12, 0.3],
  [20, 0.25],
  [35, 0.1],
] as const
/** Demand is looked at from half a bar to eight thousand. */
const stepLog = 0.15
const logs = Array.from({ length: 66 }, (_, at) => Math.log(0.5) + at * stepLog)

/** Sales are brisk at first and slow down: share of all that will ever go that has gone by a day. */
const shareSoldBy = (days: number, paceDays: number): number => 1 - Math.exp(-days / paceDays)

const logPoisson = (count: number, mean: number): number =>
  mean <= 0 ? (count === 0 ? 0 : -Infinity) : count * Math.log(mean) - mean - gammaln(count + 1)

/** Share of counts of a Poisson distribution that are at most `count`. From some hundreds on it is a normal one. */
function poissonAtMost(count: number, mean: number): number {
  if (count < 0) return 0
  if (mean <= 0) return 1
  if (mean > 300) return shareBelow((count + 0.5 - mean) / Math.sqrt(mean))
  let [term, sum] = [Math.exp(-mean), 0]
  for (let at = 0; at <= count; at++) {
    sum += term
    term *= mean / (at + 1)
    // Nothing is left that could be counted.
    if (at > mean && term < 1e-12) return 1
  }
  return Math.min(1, sum)
}

/** How likely what a release sold is, for each demand, as a logarithm: its last week as "at least" where it was sold out. */
function logLikelihoodsOf({ soldBy, isSoldOut }: ReleaseSales, paceDays: number): readonly number[] {
  return logs.map((log) => {
    const demand = Math.exp(log)
    let [before, gone, sum] = [0, 0, 0]
    for (const [at, { day, bars }] of soldBy.entries()) {
      const mean = demand * (shareSoldBy(day, paceDays) - shareSoldBy(before, paceDays))
      const sold = Math.max(0, bars - gone)
      sum +=
        isSoldOut && at === soldBy.length - 1
          ? Math.log(Math.max(1e-12, 1 - poissonAtMost(sold - 1, mean)))
          : logPoisson(sold, mean)
      before = day
      gone = bars
    }
    return sum
  })
}

const bell = (steps: number, spread: number): number => Math.exp(-0.5 * ((steps * stepLog) / spread) ** 2)
/** Weights of being so many steps off, adding up to 1. */
function kernelOf(spread: number): (steps: number) => number {
  const total = logs.reduce((sum, _, at) => sum + bell(at, spread) * (at === 0 ? 1 : 2), 0)
  const known = logs.map((_, at) => bell(at, spread) / total)
  return (steps) => known[Math.abs(steps)] ?? 0
}

interface Believed {
  readonly paceDays: number
  /** How likely each demand of the next release is; all of them together add up to anything. */
  readonly chances: readonly number[]
}

/** What is believed of the next release, pace by pace, after what the past ones sold. */
function believedOf(releases: readonly ReleaseSales[], prior: DemandPrior): readonly Believed[] {
  const kernels = spreads.map(([spread, chance]) => ({ kernel: kernelOf(spread), chance }))
  const told = paces.map(([paceDays]) => releases.map((release) => logLikelihoodsOf(release, paceDays)))
  // Of each release against the pace and demand that fit it best: a pace that fits none is out.
  const best = releases.map((_, at) => Math.max(...told.flatMap((ofPace) => ofPace[at]!)))
  const ofPaces = paces.map(([paceDays, chanceOfPace], pace) => {
    const seen = told[pace]!.map((ofRelease, at) => ofRelease.map((log) => Math.exp(log - best[at]!)))
    const weights = kernels.flatMap(({ kernel, chance }) =>
      logs.map((log, mean) => {
        const through = seen.reduce((sum, likely) => {
          const together = likely.reduce((all, one, at) => all + one * kernel(at - mean), 0)
          return sum + Math.log(Math.max(1e-300, together))
        }, 0)
        const expected = -0.5 * ((log - prior.meanLog) / prior.spread) ** 2
        return { kernel, mean, log: Math.log(chanceOfPace * chance) + expected + through }
      }),
    )
    return { paceDays, weights }
  })
  const most = Math.max(...ofPaces.flatMap(({ weights }) => weights.map(({ log }) => log)))
  return ofPaces.map(({ paceDays, weights }) => {
    const chances = logs.map(() => 0)
    for (const { kernel, mean, log } of weights) {
      const weight = Math.exp(log - most)
      // What is out of the question is not spread out.
      if (weight < 1e-9) continue
      for (const at of chances.keys()) chances[at]! += weight * kernel(at - mean)
    }
    return { paceDays, chances }
  })
}

/** The least count that so much of what is believed lies at or below. */
function countBelow(believed: readonly Believed[], windowDays: number, share: number): number {
  const most = Math.max(...believed.flatMap(({ chances }) => chances))
  const parts = believed.flatMap(({ paceDays, chances }) =>
    chances.flatMap((chance, at) =>
      chance < 1e-6 * most ? [] : [{ chance, mean: Math.exp(logs[at]!) * shareSoldBy(windowDays, paceDays) }],
    ),
  )
  const total = parts.reduce((sum, { chance }) => sum + chance, 0)
  let [low, high] = [-1, 20_000]
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    const below = parts.reduce((sum, { chance, mean }) => sum + chance * poissonAtMost(middle, mean), 0) / total
    if (below >= share) high = middle
    else low = middle
  }
  return high
}

/**
 * Bars that would go within a window through one channel at the next release, from what past ones sold week by week.
 * What is counted is a Poisson number around a demand that fades with the days on sale; the demand of releases is
 * log-normal around the soap's own, and how far they spread and how fast they fade is learned with it. A release that
 * sold out says "at least so many" (censored data: Gelman and others, "Bayesian Data Analysis", 3rd ed., 2013, ch. 5 and
 * 8), so that an empty stall does not read as low demand. Worked out on a grid.
 *
 * @param prior what soaps of this workshop sell otherwise
 * @returns undefined without any past release
 * @throws {RangeError} if the window is not above 0
 */
export function demandForecast(
  releases: readonly ReleaseSales[],
  windowDays: number,
  prior: DemandPrior = unknownDemand,
): DemandForecast | undefined {
  if (!(windowDays > 0)) throw new RangeError(`Expected a window above 0 days, got ${windowDays}`)
  const told = releases.filter(({ soldBy }) => (soldBy.at(-1)?.day ?? 0) > 0)
  if (told.length === 0) return undefined
  const believed = believedOf(told, prior)
  return {
    low: countBelow(believed, windowDays, 0.1),
    likely: countBelow(believed, windowDays, 0.5),
    high: countBelow(believed, windowDays, 0.9),
    releases: told.length,
    soldOut: told.filter(({ isSoldOut }) => isSoldOut).length,
  }
}

/** The least that the spread between a workshop's soaps is taken for: they were picked, and are few. An estimate. */
const leastSpread = 0.6
/** A pace to compare other soaps by, days. An estimate. */
const usualPaceDays = 12

/** What is believed of a soap from what others sold through the channel. */
export function priorOfOthers(others: readonly ReleaseSales[]): DemandPrior {
  const told = others.flatMap(({ soldBy }) => {
    const last = soldBy.at(-1)
    return last && last.day > 0 ? [Math.log((last.bars + 0.5) / shareSoldBy(last.day, usualPaceDays))] : []
  })
  if (told.length < 2) return unknownDemand
  const meanLog = told.reduce((sum, log) => sum + log, 0) / told.length
  const variance = told.reduce((sum, log) => sum + (log - meanLog) ** 2, 0) / (told.length - 1)
  return { meanLog, spread: Math.max(leastSpread, Math.sqrt(variance)) }
}

/** The estimates for each channel that past releases went through, in the order in which the channels are told. */
export function demandByChannel(
  releases: readonly ReleaseSales[],
  windowDays: number,
  others: readonly ReleaseSales[] = [],
): readonly { readonly channel: string; readonly estimate: DemandForecast }[] {
  return [...new Set(releases.map(({ channel }) => channel))].flatMap((channel) => {
    const of = (all: readonly ReleaseSales[]) => all.filter((one) => one.channel === channel)
    const estimate = demandForecast(of(releases), windowDays, priorOfOthers(of(others)))
    return estimate ? [{ channel, estimate }] : []
  })
}

/** "Web: 30 to 96 bars would sell in 30 days, most likely 54 (on sale once, sold out each time; estimate)." */
export function demandSentence(
  channel: string,
  { low, likely, high, releases, soldOut }: DemandForecast,
  windowDays: number,
): Sentence {
  return sentence('channel_demand', {
    channel,
    low,
    high,
    likely,
    window: quantity.days(windowDays),
    releases,
    soldOut,
    often: soldOut === 0 ? 'never' : soldOut === releases ? 'always' : 'sometimes',
  })
}
