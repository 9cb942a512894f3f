import { expect } from 'chai'
import fc from 'fast-check'
import { drawHistory } from './drawnReleases'
import type { ReleaseSales } from '../../src/plan'
import {
  barsToMakeFor,
  demandByChannel,
  demandForecast,
  demandSentence,
  priorOfOthers,
  releaseOfLedger,
  releaseOfResult,
  unknownDemand,
} from '../../src/plan'
import { randomFrom } from '../../src/random'
import { plainly } from '../plainly'

const web = (sold: number, days = 30, offered = sold) => ({ channel: 'Web', offered, sold, days })
const of = (...results: readonly ReturnType<typeof web>[]) => demandForecast(results.map(releaseOfResult), 30)!

describe('demandForecast', () => {
  it('is about what was sold where bars were left over, and spreads less the more releases it knows', () => {
    const once = of(web(40, 30, 60))
    const often = of(...Array.from({ length: 6 }, () => web(40, 30, 60)))
    expect(once.likely).to.be.within(32, 44)
    expect(often.likely).to.be.within(37, 43)
    expect(often.high - often.low).to.be.below((once.high - once.low) * 0.7)
    expect(once).to.include({ releases: 1, soldOut: 0 })
  })

  it('takes what sold out as “at least so many”: the sooner it was gone, the more is wanted', () => {
    const left = of(web(20, 30, 40)).likely
    const late = of(web(20, 30)).likely
    const soon = of(web(20, 3)).likely
    expect(late).to.be.above(left)
    expect(soon).to.be.above(late * 1.4)
    expect(of(web(20, 3)).soldOut).to.equal(1)
  })

  it('learns from nothing sold, too, and from weeks more than from their sum', () => {
    expect(of(web(0, 30, 24)).likely).to.be.below(5)
    // All in the first week and then nothing: more days bring no more.
    const brisk: ReleaseSales = {
      channel: 'Web',
      offered: 40,
      isSoldOut: false,
      soldBy: [7, 14, 21, 28].map((day) => ({ day, bars: 20 })),
    }
    const steady = { ...brisk, soldBy: [5, 10, 15, 20].map((bars, at) => ({ day: 7 * (at + 1), bars })) }
    const later = (one: ReleaseSales) => demandForecast([one, one, one], 90)!.likely
    expect(later(brisk)).to.be.below(24)
    expect(later(steady)).to.be.above(later(brisk))
  })

  it('grows with what was sold, whatever else', () => {
    const days = fc.integer({ min: 2, max: 60 })
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 120 }), fc.integer({ min: 1, max: 60 }), days, (sold, more, on) => {
        const [less, rather] = [of(web(sold, on, 500)), of(web(sold + more, on, 500))]
        expect(rather.likely).to.be.at.least(less.likely)
        expect(less.low).to.be.at.most(less.likely)
        expect(less.likely).to.be.at.most(less.high)
      }),
      { numRuns: 25 },
    )
  })

  it('keeps eight of ten in its band over 500 drawn histories', () => {
    const random = randomFrom(4711)
    let held = 0
    for (let at = 0; at < 500; at++) {
      const { releases, next } = drawHistory(random, 30)
      const { low, high } = demandForecast(releases, 30)!
      held += next >= low && next <= high ? 1 : 0
    }
    expect(held / 500).to.be.within(0.76, 0.84)
  }).timeout(120_000)

  it('begins with what other soaps sold, where there are some', () => {
    const others = [web(200, 30, 260), web(260, 30, 300), web(230, 30, 300)].map(releaseOfResult)
    const prior = priorOfOthers(others)
    expect(prior.meanLog).to.be.closeTo(Math.log(250), 0.15)
    expect(priorOfOthers(others.slice(0, 1))).to.equal(unknownDemand)
    const soldOut = [releaseOfResult(web(24, 2))]
    expect(demandForecast(soldOut, 30, prior)!.likely).to.be.above(demandForecast(soldOut, 30)!.likely)
  })

  it('is told channel by channel, in the order in which they are told', () => {
    const stalls = { channel: 'Stalls', offered: 10, sold: 10, days: 3 }
    const told = demandByChannel([stalls, web(5)].map(releaseOfResult), 30)
    expect(told.map(({ channel }) => channel)).to.deep.equal(['Stalls', 'Web'])
    expect(plainly(demandSentence('Web', of(web(50)), 30))).to.match(
      /^channel_demand, channel Web, low \d+, high \d+, likely \d+, window 30 d, releases 1, soldOut 1, often always$/,
    )
    expect(demandForecast([], 30)).to.equal(undefined)
    expect(() => demandForecast([], 0)).to.throw(RangeError)
  })
})

describe('releaseOfLedger', () => {
  const release = { channel: 'Web', releaseDay: '2027-03-01', offered: 20 }
  it('tells what had gone by the end of each week, until it was sold out or until today', () => {
    const sales = [
      { day: '2027-03-01', bars: 6 },
      { day: '2027-03-09', bars: 4 },
    ]
    expect(releaseOfLedger({ ...release, sales }, '2027-03-18')).to.deep.equal({
      channel: 'Web',
      offered: 20,
      isSoldOut: false,
      soldBy: [
        { day: 7, bars: 6 },
        { day: 14, bars: 10 },
        { day: 18, bars: 10 },
      ],
    })
    const gone = releaseOfLedger({ ...release, offered: 10, sales }, '2027-05-01')
    expect(gone?.isSoldOut).to.equal(true)
    expect(gone?.soldBy.at(-1)).to.deep.equal({ day: 9, bars: 10 })
  })

  it('counts early moments from when they began, and nothing before it is out', () => {
    const early = releaseOfLedger({ ...release, sales: [{ day: '2027-02-27', bars: 3 }] }, '2027-03-01')
    expect(early?.soldBy).to.deep.equal([{ day: 3, bars: 3 }])
    expect(releaseOfLedger({ ...release, sales: [] }, '2027-02-28')).to.equal(undefined)
    expect(releaseOfLedger({ ...release, offered: 0, sales: [] }, '2027-03-18')).to.equal(undefined)
  })
})

describe('barsToMakeFor', () => {
  it('takes off what is there and keeps, and tells what does not', () => {
    const estimate = { low: 10, likely: 24, high: 50, releases: 2, soldOut: 1 }
    const onHand = [
      { bars: 6, bestBeforeDay: '2028-01-01' },
      { bars: 4, bestBeforeDay: '2027-04-20' },
    ]
    expect(barsToMakeFor([estimate, estimate], onHand, '2027-04-01', 30)).to.deep.equal({
      wanted: 48,
      onHand: 6,
      tooOld: 4,
      toMake: 42,
    })
    expect(barsToMakeFor([estimate], [{ bars: 90, bestBeforeDay: '2028-01-01' }], '2027-04-01', 30).toMake).to.equal(0)
  })
})
