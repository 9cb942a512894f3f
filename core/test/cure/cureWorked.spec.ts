import { expect } from 'chai'
import type { DryingTerms } from '../../src/cure'
import {
  cureForecast,
  cureRoom,
  dryingOf,
  dryingPrior,
  fitDrying,
  forecastMass,
  hasLevelledOff,
  levellingDay,
  lossSoFar,
  massAfter,
  meanRoom,
  referenceRoom,
  roomPace,
  traysFreeOn,
} from '../../src/cure'
import { workedMould } from '../blends'

const bar = { widthMm: 80, heightMm: 55, thicknessMm: 27 }
const terms: DryingTerms = { bar, lossShare: 0.11, room: referenceRoom, stepG: 1 }

describe('trays that become free', () => {
  const loaf = (lotCode: string, bars: number, readyDay: string) => ({
    id: lotCode,
    lotCode,
    bars,
    place: 'Rack',
    readyDay,
  })
  const room = () =>
    cureRoom(
      [{ name: 'Rack', trays: 4 }],
      [loaf('late', 18, '2027-04-20'), loaf('first', 18, '2027-03-20'), loaf('next', 36, '2027-04-01')],
      18,
    )

  it('are free in the order in which loaves are ready, whatever order they stand in', () => {
    expect(traysFreeOn(room(), 1, '2027-03-08')).to.equal('2027-03-20')
    expect(traysFreeOn(room(), 2, '2027-03-08')).to.equal('2027-04-01')
    expect(traysFreeOn(room(), 4, '2027-03-08')).to.equal('2027-04-20')
    expect(traysFreeOn(room(), 5, '2027-03-08')).to.equal(undefined)
  })

  it('are free today where what was ready before still stands, and where none are wanted', () => {
    expect(traysFreeOn(room(), 1, '2027-03-25')).to.equal('2027-03-25')
    expect(traysFreeOn(room(), 0, '2027-03-08')).to.equal('2027-03-08')
  })
})

describe('what the weighings tell', () => {
  it('is read off straight lines between them', () => {
    // On day 7 before the last it weighed 100 + 2 · 3/10 below 102: 101.4 g; it lost 1.38 % since, or a tenth of that.
    const line = (last: number) => [
      { day: '2027-03-01', massG: 102 },
      { day: '2027-03-11', massG: 100 },
      { day: '2027-03-11', massG: last },
    ]
    expect(hasLevelledOff(line(100))).to.equal(false)
    const between = [
      { day: '2027-03-01', massG: 110 },
      { day: '2027-03-11', massG: 100 },
      { day: '2027-03-15', massG: 102.6 },
    ]
    // Seven days before 15 March it weighed 110 − 7 = 103 g by the line: 102.6 g is 0.39 % less.
    expect(hasLevelledOff(between)).to.equal(true)
    expect(hasLevelledOff([...between.slice(0, 2), { day: '2027-03-15', massG: 102.4 }])).to.equal(false)
  })

  it('is no loss before the second weighing', () => {
    expect(lossSoFar([])).to.equal(undefined)
    expect(lossSoFar([{ day: '2027-03-01', massG: 120 }])).to.equal(undefined)
    expect(
      lossSoFar([
        { day: '2027-03-01', massG: 120 },
        { day: '2027-03-08', massG: 108 },
      ]),
    ).to.be.closeTo(0.1, 1e-12)
  })
})

describe('the room', () => {
  it('is the mean of its readings, and the reference room without any', () => {
    expect(meanRoom([])).to.deep.equal(referenceRoom)
    expect(
      meanRoom([
        { temperatureC: 18, humidity: 0.5 },
        { temperatureC: 24, humidity: 0.7 },
      ]),
    ).to.deep.equal({ temperatureC: 21, humidity: 0.6 })
  })

  it('moves the prior: in a warm room the likely bar has lost more by the same day', () => {
    const warm = { ...referenceRoom, temperatureC: referenceRoom.temperatureC + 10 }
    const on = (room: typeof referenceRoom) =>
      forecastMass(fitDrying([{ cureDay: 0, massG: 120 }], { ...terms, room }), bar, 7)?.likelyG ?? 0
    expect(roomPace(warm)).to.be.above(1)
    expect(on(warm)).to.be.below(on(referenceRoom))
    // Of the prior alone the likely bar dries as the prior’s middle says.
    const middle = massAfter(120, bar, { diffusion: dryingPrior.diffusion, lossShare: 0.11 }, 7)
    expect(on(referenceRoom)).to.be.closeTo(middle, 0.3)
  })
})

describe('the fit', () => {
  it('takes the first weighing for the bar’s first mass, within the scale’s step', () => {
    const fit = fitDrying([{ cureDay: 0, massG: 120 }], { ...terms, stepG: 2 })
    const firsts = fit.map(({ firstG }) => firstG)
    expect(Math.min(...firsts)).to.be.closeTo(119.2, 1e-9)
    expect(Math.max(...firsts)).to.be.closeTo(120.8, 1e-9)
    expect(fit.reduce((sum, { weight }) => sum + weight, 0)).to.be.closeTo(1, 1e-4)
    const day0 = fitDrying(
      [
        { cureDay: 7, massG: 112 },
        { cureDay: 0, massG: 120 },
      ],
      terms,
    )
    expect(Math.max(...day0.map(({ firstG }) => firstG))).to.be.closeTo(120.4, 1e-9)
    expect(fitDrying([], terms)).to.deep.equal([])
  })

  it('spans three spreads of diffusion and loss, both ways alike', () => {
    const fit = fitDrying([{ cureDay: 0, massG: 120 }], terms)
    const diffusions = fit.map(
      ({ diffusion }) => Math.log(diffusion / dryingPrior.diffusion) / dryingPrior.diffusionSpread,
    )
    expect(Math.min(...diffusions)).to.be.closeTo(-3.2, 1e-9)
    expect(Math.max(...diffusions)).to.be.closeTo(3.2, 1e-9)
    const losses = fit.map(({ lossShare }) => (lossShare - 0.11) / dryingPrior.lossSpread)
    expect(Math.max(...losses)).to.be.closeTo(3.2, 0.2)
    expect(Math.max(...losses)).to.be.closeTo(-Math.min(...losses), 0.5)
  })

  it('has quantiles in their order, the middle with half of the weight below it', () => {
    const fit = fitDrying([{ cureDay: 0, massG: 120 }], terms)
    const forecast = forecastMass(fit, bar, 28)!
    expect(forecast.fromG).to.be.below(forecast.likelyG)
    expect(forecast.likelyG).to.be.below(forecast.untilG)
    const below = fit.filter((one) => massAfter(one.firstG, bar, one, 28) < forecast.fromG)
    expect(below.reduce((sum, { weight }) => sum + weight, 0)).to.be.closeTo(0.1, 0.01)
  })

  it('levels off a week after the cut at the earliest', () => {
    const fit = fitDrying([{ cureDay: 0, massG: 120 }], terms)
    expect(levellingDay(fit, bar, 1)).to.equal(7)
  })

  it('is drawn with about thirty points, day 0 and whole steps among them', () => {
    const days = (cureDays: number) =>
      cureForecast([{ cureDay: 0, massG: 120 }], terms, { cureDays, labelMassG: 100 })!.days.map(
        ({ cureDay }) => cureDay,
      )
    expect(days(5)).to.deep.equal([0, 1, 2, 3, 4, 5])
    const long = days(90)
    const step = long[1]!
    expect(step).to.be.above(1)
    expect(long).to.deep.equal(long.map((_, at) => at * step))
    expect(long.at(-1)).to.be.within(90 - step + 1, 90)
  })

  it('asks a mould for its bar, and a tray of cavities for none', () => {
    const { bar: _bar, ...rest } = terms
    expect(dryingOf(workedMould, rest)?.bar).to.deep.equal({ widthMm: 80, heightMm: 60, thicknessMm: 25 })
    expect(dryingOf({ ...workedMould, shape: 'cavities', cavityCount: 6, cavityMl: 90 }, rest)).to.equal(undefined)
  })
})
