import { expect } from 'chai'
import type { BatterConditions, MoveLine } from '../../../src/pour'
import {
  chanceToFinish,
  drawBatter,
  estimateWorking,
  fallbackFor,
  leastSlowness,
  planOnTheClock,
  potsReadyMin,
  scaledThickening,
  scoreRehearsal,
  starterPlan,
  techniques,
  usualSection,
  windowLeft,
  workingAdvice,
} from '../../../src/pour'
import { plainly } from '../../plainly'

const batter: BatterConditions = {
  temperatureC: 43,
  lyeConcentration: 0.33,
  solidShare: 0.6,
  blending: 'usual',
  scentLast: false,
  thickeners: [],
  pots: 4,
  scents: [{ name: 'Amber blend', rate: 0.03, behaviour: 'speeds' }],
}
const estimate = estimateWorking(batter, [])
const swirl = starterPlan('pot_swirl', 4, usualSection)
const layers = starterPlan('layers', 4, usualSection)

describe('planOnTheClock', () => {
  const slow = { plainMin: 40, scentTimes: 1, scentAtMin: 0 }

  it('begins when the pots are coloured, and waits for the trace that a move needs', () => {
    // Four pots: 1 + 4 · 1.2 min; a layer at medium trace from half of 40 min on.
    const [first, second] = planOnTheClock(layers, slow, potsReadyMin(4))
    expect(first).to.deep.include({ startMin: 20, fromMin: 20, isInTime: true })
    expect(second?.startMin).to.equal(21.5)
    expect(planOnTheClock([{ kind: 'level', pot: 0, part: 1 }], slow, potsReadyMin(4))[0]?.startMin).to.be.closeTo(
      5.8,
      1e-9,
    )
  })

  it('counts waits, and says which move comes too late', () => {
    const lines: readonly MoveLine[] = [
      { kind: 'ribbon', pot: 0, part: 1, trace: 'emulsion' },
      { kind: 'ribbon', pot: 1, part: 1, trace: 'emulsion', waitMin: 30 },
    ]
    expect(planOnTheClock(lines, slow, potsReadyMin(2)).map(({ isInTime }) => isInTime)).to.deep.equal([true, false])
  })
})

describe('single pots', () => {
  const scented = { plainMin: 40, scentTimes: 0.5, scentAtMin: 0 }
  const paces = [
    { times: 1, isScented: true },
    { times: 1, isScented: false },
    { times: 0.8, isScented: true },
  ]
  const until = (line: MoveLine): number => planOnTheClock([line], scented, 0, paces)[0]!.untilMin

  it('thicken at their own pace: unscented later, with white pigment sooner', () => {
    const level = (pot: number): MoveLine => ({ kind: 'level', pot, part: 1 })
    expect([0, 1, 2].map((pot) => until(level(pot)) / 1.3)).to.deep.equal([20, 40, 16])
  })

  it('are waited for by the slowest and done by the fastest where a move takes several', () => {
    const pots = [0, 1, 2].map((pot) => ({ pot, part: 1 }))
    const [move] = planOnTheClock([{ kind: 'stack', pots, trace: 'thin' }], scented, 0, paces)
    expect(move!.fromMin).to.be.closeTo(0.12 * 40, 1e-9)
    expect(move!.untilMin).to.be.closeTo(0.55 * 16, 1e-9)
  })
})

describe('chanceToFinish', () => {
  it('is where the least slowness lies in the estimate', () => {
    const least = leastSlowness(swirl, estimate.thickening, potsReadyMin(4))
    const isDone = (by: number): boolean =>
      planOnTheClock(swirl, scaledThickening(estimate.thickening, by), potsReadyMin(4)).every(
        ({ isInTime }) => isInTime,
      )
    expect([isDone(least * 1.001), isDone(least * 0.999)]).to.deep.equal([true, false])
    // Against a thousand batters drawn from the model.
    const drawn = Array.from({ length: 1000 }, (_, seed) =>
      planOnTheClock(swirl, drawBatter(estimate, seed), potsReadyMin(4)).every(({ isInTime }) => isInTime),
    ).filter(Boolean).length
    expect(chanceToFinish(swirl, estimate, potsReadyMin(4))).to.be.closeTo(drawn / 1000, 0.05)
  })

  it('is certain for no move, and none where a trace comes before another that is past', () => {
    expect(chanceToFinish([], estimate, potsReadyMin(4))).to.equal(1)
    const wrongWay: readonly MoveLine[] = [
      { kind: 'pipe', pot: 0, part: 1 },
      { kind: 'ribbon', pot: 1, part: 1 },
    ]
    expect(chanceToFinish(wrongWay, estimate, potsReadyMin(4))).to.equal(0)
  })
})

describe('workingAdvice', () => {
  it('says what helps most first, each better than before', () => {
    const advice = workingAdvice(swirl, batter, [])
    expect(advice.map(({ key }) => key)).to.include.members(['cooler', 'scent_last', 'fewer_pots'])
    advice.forEach(({ before, after }, at) => {
      expect(after).to.be.above(before)
      if (at > 0) expect(after).to.be.at.most(advice[at - 1]!.after)
    })
    expect(plainly(advice.find(({ key }) => key === 'cooler')?.advice)).to.equal('soap_cooler, cooler 27 °C, now 43 °C')
  })
})

describe('fallbackFor', () => {
  it('is done in time with a batter that races, and uses every pot up', () => {
    const { lines, technique } = fallbackFor(swirl, estimate, batter, usualSection)
    expect(techniques).to.include(technique)
    const poured = lines.reduce((sum, { part = 0, pots = [] }) => sum + part + pots.reduce((a, b) => a + b.part, 0), 0)
    expect(poured).to.be.closeTo(4, 1e-9)
  })
})

describe('scoreRehearsal', () => {
  const thick = { plainMin: 6, scentTimes: 1, scentAtMin: 0 }
  const good = { plainMin: 40, scentTimes: 1, scentAtMin: 0 }
  const ribbons: readonly MoveLine[] = [
    { kind: 'ribbon', pot: 0, part: 1 },
    { kind: 'ribbon', pot: 1, part: 1 },
  ]

  it('gives all points for moves at their trace, and tells what came too late', () => {
    const events = [
      { kind: 'move', index: 0, minutes: 8 },
      { kind: 'move', index: 1, minutes: 10 },
    ] as const
    expect(scoreRehearsal(ribbons, good, events, { pots: 2 })).to.deep.include({ points: 100, couldFinish: true })
    expect(scoreRehearsal(ribbons, thick, events, { pots: 2 })).to.deep.include({ points: 0, couldFinish: false })
    expect(plainly(scoreRehearsal(ribbons, thick, events, { pots: 2 }).verdict)).to.equal(
      'rehearsal_too_thick, moves 2, couldFinish no',
    )
  })

  it('credits falling back only where the batter would not have waited', () => {
    const events = [{ kind: 'fall_back', minutes: 5 }] as const
    expect(scoreRehearsal(ribbons, thick, events, { pots: 2 })).to.deep.include({ points: 50, fellBackAtMin: 5 })
    expect(scoreRehearsal(ribbons, good, events, { pots: 2 })).to.deep.include({ points: 0, couldFinish: true })
    expect(drawBatter(estimate, 3)).to.deep.equal(drawBatter(estimate, 3))
  })
})

describe('windowLeft', () => {
  it('shrinks minute by minute, and never below 0', () => {
    const [now, later, past] = [0, 2, 500].map((sinceMin) => windowLeft(estimate, sinceMin))
    expect(now!.likelyMin - later!.likelyMin).to.be.closeTo(2, 1e-9)
    expect(now!.fromMin).to.be.below(now!.likelyMin).and.below(now!.untilMin)
    expect(past).to.deep.equal({ fromMin: 0, likelyMin: 0, untilMin: 0 })
  })
})
