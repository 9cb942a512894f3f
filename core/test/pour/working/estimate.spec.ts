import { expect } from 'chai'
import type { BatterConditions, TimedPour } from '../../../src/pour'
import type { ScentBehaviour } from '../../../src/recipe'
import {
  estimateAfterSeen,
  estimateNotYet,
  estimateWorking,
  minutesBelow,
  modelThickening,
  minutesUntil,
  scaledThickening,
  slownessSeen,
  thickenedAt,
  workingFactors,
  workingPrior,
} from '../../../src/pour'
import { deviationsBelow, normalFrom, randomFrom, shareBelow } from '../../../src/random'
import { plainly } from '../../plainly'

const plain: BatterConditions = {
  temperatureC: 30,
  lyeConcentration: 0.3,
  solidShare: 0.5,
  blending: 'usual',
  scents: [],
  scentLast: true,
  thickeners: [],
  pots: 3,
}
const scented = (behaviour: ScentBehaviour, rate = 0.03, more: Partial<BatterConditions> = {}): BatterConditions => ({
  ...plain,
  ...more,
  scents: [{ name: 'Amber blend', rate, behaviour }],
})

describe('thickening', () => {
  it('goes on at another pace from when the scent is in, and back', () => {
    const batter = { plainMin: 20, scentTimes: 0.5, scentAtMin: 5 }
    // A quarter of the way in 5 minutes, the rest at 10 minutes for a whole.
    expect(thickenedAt(5, batter)).to.equal(0.25)
    expect(minutesUntil(1, batter)).to.be.closeTo(5 + 0.75 * 10, 1e-12)
    for (const minutes of [1, 5, 9, 30])
      expect(minutesUntil(thickenedAt(minutes, batter), batter)).to.be.closeTo(minutes, 1e-9)
    expect(() => thickenedAt(1, { ...batter, plainMin: 0 })).to.throw('Expected times above 0')
  })
})

describe('estimateNotYet', () => {
  const prior = estimateWorking(scented('speeds'), [])
  const at = (minutes: number) => estimateNotYet(prior, { minutes, thickened: 1 })
  const likelyMin = minutesUntil(1, prior.thickening)

  it('says little early, and that the batter is slower and better known the longer it flows', () => {
    expect(minutesUntil(1, at(0.5).thickening)).to.be.closeTo(likelyMin, 0.1)
    const later = at(likelyMin)
    expect(minutesUntil(1, later.thickening)).to.be.above(likelyMin * 1.2)
    expect(later.spread).to.be.below(prior.spread * 0.75)
    expect(minutesUntil(1, at(2 * likelyMin).thickening)).to.be.above(2 * likelyMin)
  })

  it('has the mean and spread of the batters that are left, as drawing many finds', () => {
    const random = randomFrom(11)
    const least = Math.log(slownessSeen(prior.thickening, likelyMin, 1))
    const left = Array.from({ length: 40_000 }, () => prior.spread * normalFrom(random)).filter((log) => log > least)
    const mean = left.reduce((sum, log) => sum + log, 0) / left.length
    const spread = Math.sqrt(left.reduce((sum, log) => sum + (log - mean) ** 2, 0) / left.length)
    const found = at(likelyMin)
    expect(Math.log(found.thickening.plainMin / prior.thickening.plainMin)).to.be.closeTo(mean, 0.02)
    expect(found.spread).to.be.closeTo(spread, 0.02)
  })

  it('goes on where the batter flows longer than anybody expected, and lets a time of nothing be', () => {
    const long = at(500)
    expect(minutesUntil(1, long.thickening)).to.be.closeTo(500, 1)
    expect(at(0)).to.equal(prior)
  })
})

describe('workingFactors', () => {
  it('is the base where all is as the model refers to', () => {
    expect(modelThickening(plain).plainMin).to.be.closeTo(workingPrior.baseMin, 1e-9)
    expect(modelThickening({ ...plain, temperatureC: 43 }).plainMin).to.be.closeTo(32 * Math.exp(-13 * 0.028), 1e-9)
  })

  it('lets scents of a blend not cancel: the one that races counts whole', () => {
    const blend = (...scents: BatterConditions['scents']): BatterConditions => ({ ...plain, scents })
    const race = { name: 'a', rate: 0.03, behaviour: 'races' } as const
    const slow = { name: 'b', rate: 0.03, behaviour: 'slows' } as const
    expect(modelThickening(blend(race, slow)).scentTimes).to.equal(modelThickening(blend(race)).scentTimes)
    expect(plainly(workingFactors(blend(race, slow)).at(-1)?.reason)).to.equal(
      'scent_reason, behaviour races, isBlend yes',
    )
  })

  it('takes the workshop’s own figures before the model’s', () => {
    expect(
      workingFactors({ ...plain, thickeners: ['clay'] }, { clay: 0.5 }).find(({ key }) => key === 'clay')?.times,
    ).to.equal(0.5)
  })
})

describe('the normal distribution', () => {
  it('is as in the tables', () => {
    expect(shareBelow(0)).to.be.closeTo(0.5, 1e-7)
    expect(shareBelow(1.2816)).to.be.closeTo(0.9, 1e-4)
    expect(deviationsBelow(0.975)).to.be.closeTo(1.96, 0.01)
  })
})

describe('estimateWorking', () => {
  /** A workshop as it may be, with pours of one scent timed in it. */
  function workshop(seed: number, timed: number) {
    const random = randomFrom(seed)
    const offset = workingPrior.workshopSpread * normalFrom(random)
    const ofScent = workingPrior.behaviour.unknown.spread * normalFrom(random)
    const truth = (): number => Math.exp(offset + ofScent + workingPrior.pourSpread * normalFrom(random))
    const pourOnce = (): TimedPour => {
      const batter = scented('unknown', 0.03, { temperatureC: 28 + 14 * random(), scentLast: random() < 0.5 })
      const seenMin = minutesUntil(1, scaledThickening(modelThickening(batter), truth()))
      return { batter, seenMin, thickened: 1 }
    }
    return { pours: Array.from({ length: timed }, pourOnce), next: pourOnce() }
  }

  it('holds the true time in 74 to 86 of 100 after eight timed pours, in half the band at most', () => {
    let held = 0
    let widest = 0
    const trials = 500
    for (let trial = 0; trial < trials; trial++) {
      const { pours, next } = workshop(trial + 1, 8)
      const band = (known: readonly TimedPour[]): readonly [number, number] => {
        const estimate = estimateWorking(next.batter, known)
        return [minutesBelow(estimate, 1, 0.1), minutesBelow(estimate, 1, 0.9)]
      }
      const [from, until] = band(pours)
      const [priorFrom, priorUntil] = band([])
      if (next.seenMin >= from && next.seenMin <= until) held += 1
      widest = Math.max(widest, Math.log(until / from) / Math.log(priorUntil / priorFrom))
    }
    expect(held / trials).to.be.within(0.74, 0.86)
    expect(widest).to.be.at.most(0.5)
  })

  it('is the prior before any pour, and narrower with each that is as expected', () => {
    const batter = scented('speeds')
    const spreads = [0, 1, 3, 8, 20].map((count) => {
      const timed = { batter, seenMin: minutesUntil(1, modelThickening(batter)), thickened: 1 }
      return estimateWorking(batter, new Array<TimedPour>(count).fill(timed)).spread
    })
    spreads.slice(1).forEach((spread, at) => expect(spread).to.be.below(spreads[at]!))
    expect(estimateWorking(batter, []).pours).to.equal(0)
  })

  it('lets a scent that raced here twice race again, and leaves others alone', () => {
    const race = scented('calm')
    const seenMin = minutesUntil(1, modelThickening(race)) / 4
    const pours = [1, 2].map((): TimedPour => ({ batter: race, seenMin, thickened: 1 }))
    const known = estimateWorking(race, pours)
    const other = estimateWorking({ ...race, scents: [{ name: 'Linen blend', rate: 0.03, behaviour: 'calm' }] }, pours)
    const model = modelThickening(race).plainMin
    expect(known.thickening.plainMin).to.be.below(0.6 * model)
    expect(other.thickening.plainMin).to.be.above(known.thickening.plainMin)
    expect(known.poursWithScent).to.equal(2)
    expect(other.poursWithScent).to.equal(0)
  })

  it('is drawn to what is seen of this very batter', () => {
    const estimate = estimateWorking(plain, [])
    const twice = minutesUntil(0.5, scaledThickening(estimate.thickening, 2))
    const after = estimateAfterSeen(estimate, [{ minutes: twice, thickened: 0.5 }])
    expect(after.thickening.plainMin).to.be.within(1.7 * workingPrior.baseMin, 2 * workingPrior.baseMin)
    expect(after.spread).to.be.below(estimate.spread / 2)
    expect(estimateAfterSeen(estimate, [])).to.equal(estimate)
    expect(slownessSeen(estimate.thickening, twice, 0.5)).to.be.closeTo(2, 1e-6)
    expect(() => slownessSeen(estimate.thickening, 0, 0.5)).to.throw('Expected a time above 0')
  })
})
