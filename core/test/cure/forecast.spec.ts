import { expect } from 'chai'
import type { DryingTerms } from '../../src/cure'
import { chanceOfMass, cureForecast, fitDrying, forecastAtCut, levellingDay, referenceRoom } from '../../src/cure'

const bar = { widthMm: 85, heightMm: 58, thicknessMm: 25 }
const terms: DryingTerms = { bar, lossShare: 0.11, room: referenceRoom, stepG: 1 }
const goal = { cureDays: 42, labelMassG: 110 }
const weighings = [
  { cureDay: 0, massG: 126 },
  { cureDay: 7, massG: 120 },
  { cureDay: 14, massG: 117 },
]

describe('the forecast of a bar', () => {
  it('says of every day, of the release and of the label what the fit says', () => {
    const forecast = cureForecast(weighings, terms, goal)!
    const fit = fitDrying(weighings, terms)
    expect(forecast.days[0]?.cureDay).to.equal(0)
    expect(forecast.days.at(-1)?.cureDay).to.equal(42)
    expect(forecast.days.at(-1)).to.deep.equal(forecast.atRelease)
    expect(forecast.keepsLabel).to.equal(chanceOfMass(fit, bar, 42, 110))
    expect(forecast.levelsOnDay).to.equal(levellingDay(fit, bar, 0.005))
    for (const { fromG, likelyG, untilG } of forecast.days) {
      expect(fromG).to.be.at.most(likelyG)
      expect(untilG).to.be.at.least(likelyG)
    }
  })

  it('is none before the first weighing', () => {
    expect(cureForecast([], terms, goal)).to.equal(undefined)
    expect(forecastAtCut(0, terms, goal)).to.equal(undefined)
  })

  it('is surer of a thicker bar at the cut, and what it asks for keeps the label', () => {
    const thin = forecastAtCut(118, terms, goal)!
    const thick = forecastAtCut(130, terms, goal)!
    expect(thin.keepsLabel).to.be.below(0.2)
    expect(thick.keepsLabel).to.be.above(0.8)
    // What is needed does not depend much on what was first asked.
    expect(thin.needed.wetG).to.be.closeTo(thick.needed.wetG, 0.5)
    const { wetG, thicknessMm } = thin.needed
    expect(thicknessMm).to.be.above(bar.thicknessMm)
    expect(forecastAtCut(wetG, terms, goal)!.keepsLabel).to.be.within(0.85, 0.95)
  })
})
