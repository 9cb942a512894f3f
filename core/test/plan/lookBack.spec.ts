import { expect } from 'chai'
import type { LoafEvent } from '../../src/loaf'
import { loafState } from '../../src/loaf'
import { benchHours, lookBack } from '../../src/plan'

const day = '2027-04-12'
const story: readonly LoafEvent[] = [
  { type: 'cut', day: '2027-03-10', bars: 17, ends: 2, firstBarG: 130, bevelled: false },
  { type: 'finished', day: '2027-03-11', finish: 'bevelled', bars: 17, minutes: 25, removedG: null },
  { type: 'weighed', day, barG: 116 },
  { type: 'released', day, bars: 17, ph: 9.5, lookIsSound: true, labelIsComplete: true },
  { type: 'allotted', day, allotmentId: 'a', bars: 10, channel: 'Web', who: '', orderId: null },
  { type: 'sold', day, saleId: 's', bars: 4, channel: 'Web', buyer: '', priceCents: 900 },
]

describe('lookBack', () => {
  it('holds what was planned against what came of it', () => {
    const loaf = { barsPlanned: 18, labelMassG: 115, cureDays: 28, state: loafState(story) }
    const curing = { ...loaf, state: loafState(story.slice(0, 1)) }
    expect(lookBack([loaf, curing])).to.deep.equal({
      loaves: 2,
      barsPlanned: 36,
      barsCut: 34,
      barsReleased: 17,
      barsSold: 4,
      lastMassG: 123,
      labelMassG: 115,
      finishMinutes: 25,
      takenCents: 3600,
      ingredientCents: 0,
      hours: undefined,
      cure: { plannedDays: 28, takenDays: 33 },
      lastReleaseDay: day,
      sellThrough: [{ channel: 'Web', allotted: 10, sold: 4, share: 0.4 }],
    })
  })

  it('adds up the hours of the pours that were timed, and what the ingredients cost', () => {
    const loaf = { barsPlanned: 18, labelMassG: 115, cureDays: 28, state: loafState(story) }
    const pours = [
      { plannedHours: 2.25, benchHours: 2.5, ingredientCents: 812.4 },
      { plannedHours: 2.25, benchHours: null, ingredientCents: 90.2 },
    ]
    expect(lookBack([loaf], pours)).to.deep.include({ hours: { planned: 2.25, taken: 2.5 }, ingredientCents: 903 })
  })

  it('counts the work between steps and no break', () => {
    const at = (time: string) => `2027-03-08T${time}:00.000Z`
    // 25 minutes, a break of two hours, 10 minutes.
    expect(benchHours([at('09:00'), at('09:15'), at('09:25'), at('11:25'), at('11:35')])).to.be.closeTo(35 / 60, 1e-9)
    expect(benchHours([at('11:35'), at('11:25')])).to.be.closeTo(10 / 60, 1e-9)
    expect(benchHours([at('09:00')])).to.equal(null)
    expect(benchHours([at('09:00'), at('09:00')])).to.equal(null)
  })

  it('is empty where nothing was poured', () => {
    expect(lookBack([])).to.deep.include({ loaves: 0, labelMassG: 0, lastMassG: undefined, sellThrough: [] })
  })
})
