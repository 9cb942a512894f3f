import { expect } from 'chai'
import fc from 'fast-check'
import type { DryingTerms } from '../../src/cure'
import type { BarSides } from '../../src/cutting'
import {
  chanceOfMass,
  dryingPrior,
  fitDrying,
  forecastMass,
  leftInPlate,
  leftToLose,
  levellingDay,
  lossInRoom,
  massAfter,
  referenceRoom,
  roomPace,
  wetMassFor,
} from '../../src/cure'

const bar: BarSides = { widthMm: 80, heightMm: 55, thicknessMm: 27 }
const terms: DryingTerms = { bar, lossShare: 0.11, room: referenceRoom, stepG: 1 }
const truth = { diffusion: 3, lossShare: 0.12 }
const weighed = (days: readonly number[], stepG = 1) =>
  days.map((cureDay) => ({ cureDay, massG: Math.round(massAfter(120, bar, truth, cureDay) / stepG) * stepG }))

describe('leftInPlate', () => {
  it('is the root law at first and one exponential in the end', () => {
    // Crank, eq. 4.20: the loss is 4 √(τ/π) at short times.
    expect(1 - leftInPlate(0.002)).to.be.closeTo(4 * Math.sqrt(0.002 / Math.PI), 1e-4)
    expect(leftInPlate(0.3)).to.be.closeTo((8 / Math.PI ** 2) * Math.exp(-(Math.PI ** 2) * 0.3), 1e-6)
    expect([leftInPlate(0), leftInPlate(-1)]).to.deep.equal([1, 1])
  })

  it('joins at the change of formula, and never rises', () => {
    expect(leftInPlate(0.000999)).to.be.closeTo(leftInPlate(0.001001), 1e-3)
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 2, noNaN: true }), (time) => {
        expect(leftInPlate(time * 1.01)).to.be.at.most(leftInPlate(time) + 1e-3)
        expect(leftInPlate(time)).to.be.within(0, 1)
      }),
    )
  })

  it('agrees with stepping Fick’s law through a plate', () => {
    const cells = 200
    const water = new Float64Array(cells).fill(1)
    const stepTime = 0.2 / cells ** 2
    for (let step = 0; step * stepTime < 0.1; step++) {
      const before = Float64Array.from(water)
      for (let at = 0; at < cells; at++) {
        // Faces at equilibrium lie half a cell outside.
        const left = at === 0 ? -before[0]! : before[at - 1]!
        const right = at === cells - 1 ? -before[at]! : before[at + 1]!
        water[at] = before[at]! + 0.2 * (left - 2 * before[at]! + right)
      }
    }
    expect(leftInPlate(0.1)).to.be.closeTo(water.reduce((sum, one) => sum + one, 0) / cells, 1e-3)
  })
})

describe('a bar', () => {
  it('dries through all its faces, a thin one sooner', () => {
    expect(leftToLose(bar, 3, 28)).to.be.closeTo(
      leftInPlate(84 / 6400) * leftInPlate(84 / 3025) * leftInPlate(84 / 729),
      1e-12,
    )
    expect(leftToLose({ ...bar, thicknessMm: 20 }, 3, 28)).to.be.below(leftToLose(bar, 3, 28))
    expect(massAfter(120, bar, truth, 10_000)).to.be.closeTo(120 * 0.88, 1e-6)
  })

  it('dries faster where it is warm, and less far where it is damp', () => {
    expect(roomPace({ temperatureC: 26, humidity: 0.5 })).to.be.above(1)
    expect(lossInRoom(0.11, { temperatureC: 20, humidity: 0.75 })).to.be.closeTo(0.094, 1e-9)
  })
})

describe('forecastMass', () => {
  it('comes near the truth from four readings of a scale in whole grams, with a narrower band than before', () => {
    const forecast = forecastMass(fitDrying(weighed([0, 4, 9, 14]), terms), bar, 35)!
    const real = massAfter(120, bar, truth, 35)
    expect(forecast.likelyG).to.be.closeTo(real, 1.5)
    expect(real).to.be.within(forecast.fromG, forecast.untilG)
    const before = forecastMass(fitDrying(weighed([0]), terms), bar, 35)!
    expect(forecast.untilG - forecast.fromG).to.be.below(0.6 * (before.untilG - before.fromG))
    expect(before.likelyG).to.be.closeTo(massAfter(120, bar, { ...dryingPrior, lossShare: 0.11 }, 35), 0.6)
  })

  it('puts a first weighing that came late on its own day', () => {
    const late = fitDrying(weighed([7, 14, 21]), terms)
    const on = (day: number) => forecastMass(late, bar, day)!.likelyG
    expect(on(7)).to.be.closeTo(massAfter(120, bar, truth, 7), 0.6)
    // It had weighed more at the cut, by what it had lost by then.
    expect(on(0)).to.be.closeTo(120, 1.5)
    expect(on(35)).to.be.closeTo(massAfter(120, bar, truth, 35), 1)
  })

  it('says when it levels off, and how likely a mass is kept', () => {
    const fit = fitDrying(weighed([0, 7, 14, 21, 28]), terms)
    const day = levellingDay(fit, bar, 0.005)!
    const loss = (at: number) => 1 - massAfter(120, bar, truth, at) / massAfter(120, bar, truth, at - 7)
    const real = Array.from({ length: 300 }, (_, at) => at + 7).find((at) => loss(at) < 0.005)!
    expect(Math.abs(day - real)).to.be.at.most(10)
    expect(chanceOfMass(fit, bar, 35, 100)).to.be.above(0.99)
    expect(chanceOfMass(fit, bar, 35, 118)).to.be.below(0.01)
    expect(forecastMass([], bar, 35)).to.equal(undefined)
  })

  it('says at the cut how wet and thick a bar has to be to keep its label', () => {
    const { wetG, thicknessMm } = wetMassFor(120, terms, { massG: 125, cureDay: 35 })
    expect(thicknessMm).to.be.closeTo((27 * wetG) / 125, 1e-9)
    const fit = fitDrying([{ cureDay: 0, massG: wetG }], terms)
    expect(chanceOfMass(fit, bar, 35, 120)).to.be.within(0.85, 0.95)
  })
})
