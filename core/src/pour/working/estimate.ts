import { Matrix, inverse } from 'ml-matrix'
import { deviationsBelow, shareBelow } from '../../random'
import type { BatterConditions, OwnFactors, WorkingFactor } from './factors'
import { workingFactors, workingPrior } from './factors'
import type { Thickening } from './thickening'
import { minutesUntil, scaledThickening, thickenedAt } from './thickening'

/** Minutes at the bench that go by before the pots are coloured and scented: for each pot, and once. Estimates. */
export const potsMin = { eachPot: 1.2, once: 1 } as const

/** A pour that was timed at the bench. */
export interface TimedPour {
  readonly batter: BatterConditions
  /** Minutes after emulsion at which it was seen to have thickened so far; 1 is thick. */
  readonly seenMin: number
  readonly thickened: number
}

/** How long a batter will wait, and how sure that is. */
export interface WorkingEstimate {
  /** Its likely thickening, at the median. */
  readonly thickening: Thickening
  /** Standard deviation of the logarithm of the time: of what is not known, and of what varies from pour to pour. */
  readonly spread: number
  readonly factors: readonly WorkingFactor[]
  /** Timed pours that it has learned from, and those of them with the same scent. */
  readonly pours: number
  readonly poursWithScent: number
}

/** When the scent goes into the pots. */
export const scentAtMin = ({ scentLast, pots, scents }: BatterConditions): number =>
  scentLast && scents.length > 0 ? potsMin.once + potsMin.eachPot * pots : 0

/** How a batter thickens by the model alone, at its median. */
export function modelThickening(batter: BatterConditions, own: OwnFactors = {}): Thickening {
  const factors = workingFactors(batter, own)
  const product = (of: readonly WorkingFactor[]): number => of.reduce((times, factor) => times * factor.times, 1)
  return {
    plainMin: workingPrior.baseMin * product(factors.filter(({ isScent }) => !isScent)),
    scentTimes: product(factors.filter(({ isScent }) => isScent)),
    scentAtMin: scentAtMin(batter),
  }
}

/**
 * By how much a batter was slower (above 1) than a thickening says, when it was seen to have thickened so far at a time.
 *
 * @throws {RangeError} if the time or what was seen is not above 0
 */
export function slownessSeen(thickening: Thickening, seenMin: number, thickened: number): number {
  if (!(seenMin > 0) || !(thickened > 0)) throw new RangeError(`Expected a time above 0, got ${seenMin}, ${thickened}`)
  let [low, high] = [1e-3, 1e3]
  for (let step = 0; step < 80; step++) {
    const middle = Math.sqrt(low * high)
    if (thickenedAt(seenMin, scaledThickening(thickening, middle)) > thickened) low = middle
    else high = middle
  }
  return Math.sqrt(low * high)
}

/** What is learned: how this workshop differs from the model, and how each scent and warmth do. */
const scentKeys = ({ scents }: BatterConditions): readonly string[] => [...new Set(scents.map(({ name }) => name))]

/** Pours that count for the spread before any was timed: how firmly the prior's is held. An estimate. */
const priorPours = 6

/**
 * The working time of a batter: the model's median with its spread, moved and narrowed by the workshop's timed pours.
 *
 * The logarithm of the slowness is a workshop's own offset, plus one for each scent, plus one for each ten degrees, plus
 * what varies from pour to pour: linear regression with normal priors and an inverse-gamma one for the variance (Gelman
 * and others, "Bayesian Data Analysis", 3rd ed., 2013, ch. 14). Few pours leave the prior as it is; more take over.
 */
export function estimateWorking(
  batter: BatterConditions,
  pours: readonly TimedPour[],
  own: OwnFactors = {},
): WorkingEstimate {
  const factors = workingFactors(batter, own)
  const model = modelThickening(batter, own)
  const pourVariance = workingPrior.pourSpread ** 2
  const names = [...new Set([batter, ...pours.map((pour) => pour.batter)].flatMap(scentKeys))]
  const rowOf = (one: BatterConditions): readonly number[] => [
    1,
    ...names.map((name) => (scentKeys(one).includes(name) ? 1 : 0)),
    (one.temperatureC - 30) / 10,
  ]
  const scentSpread = (name: string): number => {
    const seen = [batter, ...pours.map((pour) => pour.batter)]
      .flatMap(({ scents }) => scents)
      .find((one) => one.name === name)
    return workingPrior.behaviour[seen?.behaviour ?? 'unknown'].spread
  }
  const modelSpread2 = factors
    .filter(({ isScent, key }) => !isScent && key !== 'temperature')
    .reduce((sum, { spread }) => sum + spread ** 2, 0)
  const priorVariances = [
    workingPrior.workshopSpread ** 2 + modelSpread2,
    ...names.map((name) => scentSpread(name) ** 2),
    0.08 ** 2,
  ]
  // Everything in units of the variance from pour to pour.
  const precision = Matrix.diag(priorVariances.map((variance) => pourVariance / variance))
  const here = Matrix.rowVector([...rowOf(batter)])
  if (pours.length === 0) {
    const unknown = here.mmul(inverse(precision)).mmul(here.transpose()).get(0, 0)
    return { thickening: model, spread: Math.sqrt(pourVariance * (1 + unknown)), factors, pours: 0, poursWithScent: 0 }
  }
  const rows = new Matrix(pours.map((pour) => [...rowOf(pour.batter)]))
  const seen = Matrix.columnVector(
    pours.map((pour) => Math.log(slownessSeen(modelThickening(pour.batter, own), pour.seenMin, pour.thickened))),
  )
  const posterior = Matrix.add(precision, rows.transpose().mmul(rows))
  const covariance = inverse(posterior)
  const mean = covariance.mmul(rows.transpose().mmul(seen))
  const left = seen.transpose().mmul(seen).get(0, 0) - mean.transpose().mmul(posterior).mmul(mean).get(0, 0)
  // Mean of the variance: (ν₀s₀² + what the regression leaves) over (ν₀ + n).
  const variance = (priorPours * pourVariance + Math.max(0, left)) / (priorPours + pours.length)
  const unknown = here.mmul(covariance).mmul(here.transpose()).get(0, 0)
  const offset = here.mmul(mean).get(0, 0)
  return {
    thickening: scaledThickening(model, Math.exp(offset)),
    spread: Math.sqrt(variance * (1 + unknown)),
    factors,
    pours: pours.length,
    poursWithScent: pours.filter((pour) => scentKeys(pour.batter).some((name) => scentKeys(batter).includes(name)))
      .length,
  }
}

/** Ratio of the time of a batter to that of a likely one, where `share` (0 to 1) of all batters are faster than it. */
export const slownessBelow = ({ spread }: Pick<WorkingEstimate, 'spread'>, share: number): number =>
  Math.exp(spread * deviationsBelow(share))

/** Minutes after emulsion by which so many batters in a hundred have thickened so far. */
export function minutesBelow(estimate: WorkingEstimate, thickened: number, share: number): number {
  return minutesUntil(thickened, scaledThickening(estimate.thickening, slownessBelow(estimate, share)))
}

/** How a tap at the bench may miss: standard deviation of its logarithm. An estimate. */
const tapSpread = 0.12

/** How far a batter was seen to have thickened, and when, minutes after emulsion. */
export interface Seen {
  readonly minutes: number
  readonly thickened: number
}

/**
 * The estimate where a batter was seen to have thickened no further than this by then: of what was expected, the faster
 * batters are struck out (a normal distribution cut off below: Johnson and others, "Continuous Univariate
 * Distributions", vol. 1, 2nd ed., 1994, ch. 13).
 */
export function estimateNotYet(estimate: WorkingEstimate, { minutes, thickened }: Seen): WorkingEstimate {
  if (!(minutes > 0) || !(thickened > 0)) return estimate
  const least = Math.log(slownessSeen(estimate.thickening, minutes, thickened)) / estimate.spread
  const left = 1 - shareBelow(least)
  // So slow a batter was not expected at all: it is just past that, and no more is known.
  if (left < 1e-4)
    return { ...estimate, thickening: scaledThickening(estimate.thickening, Math.exp(least * estimate.spread)) }
  const hazard = Math.exp((-least * least) / 2) / Math.sqrt(2 * Math.PI) / left
  return {
    ...estimate,
    thickening: scaledThickening(estimate.thickening, Math.exp(estimate.spread * hazard)),
    spread: estimate.spread * Math.sqrt(Math.max(0.01, 1 + least * hazard - hazard * hazard)),
  }
}

/**
 * The estimate after what was seen of this very batter: a normal measurement of its slowness, weighed against what was
 * expected.
 */
export function estimateAfterSeen(estimate: WorkingEstimate, seen: readonly Seen[]): WorkingEstimate {
  const useful = seen.filter(({ minutes, thickened }) => minutes > 0 && thickened > 0)
  if (useful.length === 0) return estimate
  const precision = 1 / estimate.spread ** 2
  const each = 1 / tapSpread ** 2
  const logs = useful.map(({ minutes, thickened }) => Math.log(slownessSeen(estimate.thickening, minutes, thickened)))
  const total = precision + each * logs.length
  const offset = (each * logs.reduce((sum, log) => sum + log, 0)) / total
  return {
    ...estimate,
    thickening: scaledThickening(estimate.thickening, Math.exp(offset)),
    spread: Math.sqrt(1 / total),
  }
}
