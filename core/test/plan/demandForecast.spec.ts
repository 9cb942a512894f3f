import { expect } from 'chai'
import { demandByChannel, demandForecast, demandSentences } from '../../src/plan'
import { plainly } from '../plainly'

const web = (sold: number, days = 30, offered = sold) => ({ channel: 'Web', offered, sold, days })

describe('demand reckoned by hand', () => {
  it('is the geometric mean of two releases, its spread by n − 1 and the prior’s two', () => {
    // ln 40 and ln 90 lie 0.405465 about ln 60; (2 · 0.164402 + 2 · 0.25) / (1 + 2) = 0.276268; times 1.5, root 0.64374.
    const { low, likely, high } = demandForecast([web(40), web(90)], 30)!
    expect(likely).to.equal(60)
    expect(low).to.equal(Math.round(60 * Math.exp(-1.2816 * 0.64374)))
    expect(high).to.equal(Math.round(60 * Math.exp(1.2816 * 0.64374)))
    expect([low, high]).to.deep.equal([26, 137])
  })

  it('of one release spreads by the prior alone', () => {
    // 2 · 0.25 / 2 = 0.25; times 2, root 0.70711.
    const { low, high } = demandForecast([web(50)], 30)!
    expect([low, high]).to.deep.equal([20, 124])
  })

  it('carries on what sold out early, at a pace that slows', () => {
    const soon = 1 - Math.exp(-0.2)
    const whole = 1 - Math.exp(-3)
    expect(demandForecast([web(12, 2)], 30)?.likely).to.equal(Math.round((12 * whole) / soon))
  })

  it('says how often it was sold out', () => {
    const often = (...results: Parameters<typeof demandForecast>[0][number][]) => {
      const { releases, soldOut } = demandForecast(results, 30)!
      return [releases, soldOut]
    }
    expect(often(web(12))).to.deep.equal([1, 1])
    expect(often(web(12), web(9, 30, 20))).to.deep.equal([2, 1])
    expect(often(web(9, 30, 20))).to.deep.equal([1, 0])
    expect(demandSentences([web(50)], 30).map(plainly)).to.deep.equal([
      'channel_demand, channel Web, low 20, high 124, likely 50, window 30 d, releases 1, soldOut 1, often always',
    ])
  })

  it('is told channel by channel, in the order in which they are told, those left out that sold nothing', () => {
    const stalls = { channel: 'Stalls', offered: 10, sold: 10, days: 3 }
    const shops = { channel: 'Shops', offered: 10, sold: 0, days: 3 }
    expect(demandByChannel([stalls, shops, web(5)], 30).map(({ channel }) => channel)).to.deep.equal(['Stalls', 'Web'])
  })
})
