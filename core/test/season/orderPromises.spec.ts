import { expect } from 'chai'
import { addDays } from '../../src/calendar'
import type { PromisedCalendar, PromisedPour } from '../../src/season'
import { brokenPromiseFinding, brokenPromises, orderForecasts, promisesAtRisk } from '../../src/season'
import { plainly } from '../plainly'

const demand = {
  prepHours: 1,
  pourHours: 1,
  cutHours: 1,
  setDays: { min: 1, max: 3 },
  cureDays: 28,
  oven: false,
}
const pour = (id: string, pourDay: string, more: Partial<PromisedPour> = {}): PromisedPour => {
  const cutDay = addDays(pourDay, 2)
  return {
    id,
    designId: 'club',
    status: 'planned',
    demand,
    days: { prepDay: null, pourDay, cutDay, readyDay: addDays(cutDay, 28) },
    ...more,
  }
}
const order = { id: 'o', client: 'Rowing club', state: 'accepted', promisedDay: '2027-04-20', collectionId: 'regatta' }
const calendar: PromisedCalendar = {
  today: '2027-03-08',
  orders: [order],
  designs: [
    { id: 'club', collectionId: 'regatta', isRemoved: false },
    { id: 'other', collectionId: 'stones', isRemoved: false },
  ],
  // Ready on 14 and 19 April: 15 + 2 + 28 days, 20 + 2 + 28 days.
  batches: [pour('a', '2027-03-15'), pour('b', '2027-03-20'), pour('c', '2027-05-01', { designId: 'other' })],
}
const moved = (batchId: string, pourDay: string) => [{ batchId, days: { pourDay, cutDay: addDays(pourDay, 2) } }]

describe('the promise of an order', () => {
  it('stands beside the day its last pour is cured', () => {
    expect(orderForecasts(calendar)).to.deep.equal([{ order, readyDay: '2027-04-19', lateDays: -1 }])
    expect(promisesAtRisk(calendar)).to.deep.equal([])
  })

  it('is not there for an order that was never accepted, or is handed over', () => {
    const orders = [
      { ...order, state: 'delivered' },
      { ...order, state: 'quoted', collectionId: null },
    ]
    expect(orderForecasts({ ...calendar, orders })).to.deep.equal([])
  })

  it('is late by the days that went by when its pour was not made', () => {
    // Poured today, three days after it was to be: ready on 22 April.
    const late = { ...calendar, today: '2027-03-23' }
    expect(orderForecasts(late)[0]).to.deep.include({ readyDay: '2027-04-22', lateDays: 2 })
    expect(promisesAtRisk(late).map(plainly)).to.deep.equal([
      'promise_late, client Rowing club, promised 2027-04-20, ready 2027-04-22, late 2 d',
    ])
  })

  it('is broken by a plan that makes it later than promised, and not by one that keeps it', () => {
    expect(brokenPromises(calendar, moved('a', '2027-03-21'))).to.deep.equal([])
    const [broken] = brokenPromises(calendar, moved('a', '2027-03-24'))
    expect(broken).to.deep.include({ readyDay: '2027-04-23', lateDays: 3 })
    expect(broken && plainly(brokenPromiseFinding(broken))).to.equal(
      'promise_broken, client Rowing club, promised 2027-04-20, ready 2027-04-23, late 3 d',
    )
  })

  it('is not broken anew by a plan that leaves a late order as late or mends some of it', () => {
    const late = { ...calendar, batches: [pour('a', '2027-03-15'), pour('b', '2027-04-01')] }
    expect(brokenPromises(late, moved('a', '2027-03-30'))).to.deep.equal([])
    expect(brokenPromises(late, moved('b', '2027-03-28'))).to.deep.equal([])
    expect(brokenPromises(late, moved('b', '2027-04-02')).map(({ lateDays }) => lateDays)).to.deep.equal([12])
  })

  it('is broken by a pour that is taken off, and by no pour of another soap', () => {
    const [broken] = brokenPromises(calendar, [{ batchId: 'b', days: undefined }])
    expect(broken?.poursTakenOff).to.equal(1)
    expect(broken && plainly(brokenPromiseFinding(broken))).to.equal(
      'promise_loses_pour, client Rowing club, promised 2027-04-20, pours 1',
    )
    expect(brokenPromises(calendar, [{ batchId: 'c', days: undefined }])).to.deep.equal([])
  })
})
