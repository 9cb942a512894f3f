import { expect } from 'chai'
import fc from 'fast-check'
import {
  addDays,
  dayInZone,
  dayOfInstant,
  daysBetween,
  firstDayInZone,
  formatDay,
  formatInstant,
  formatMoment,
  isDay,
  isTimeZone,
  mondayOf,
  relativeDay,
  weekdayIndex,
} from '../../src/calendar'

describe('days', () => {
  it('counts over months, leap days and the change of the clocks', () => {
    expect(addDays('2027-03-08', 28)).to.equal('2027-04-05')
    expect(addDays('2028-02-28', 1)).to.equal('2028-02-29')
    expect(daysBetween('2027-03-27', '2027-03-29')).to.equal(2)
    expect(daysBetween('2027-04-10', '2027-03-12')).to.equal(-29)
  })

  it('knows weekdays from Monday', () => {
    expect(weekdayIndex('2027-03-08')).to.equal(0)
    expect(weekdayIndex('2027-03-14')).to.equal(6)
    expect(mondayOf('2027-03-14')).to.equal('2027-03-08')
  })

  it('writes days as makers say them', () => {
    expect(formatDay('2027-03-11')).to.equal('Thu 11 Mar')
    expect(formatDay('2026-03-11', '2027-03-08')).to.equal('Wed 11 Mar 2026')
    expect(relativeDay('2027-03-11', '2027-03-08')).to.equal('in 3 days')
    expect(relativeDay('2027-03-09', '2027-03-08')).to.equal('tomorrow')
    expect(relativeDay('2027-03-08', '2027-03-08')).to.equal('today')
    expect(relativeDay('2027-03-07', '2027-03-08')).to.equal('yesterday')
    expect(relativeDay('2027-03-01', '2027-03-08')).to.equal('7 days ago')
  })

  it('refuses what is no day', () => {
    expect(isDay('2027-02-29')).to.equal(false)
    expect(isDay('2027-3-8')).to.equal(false)
    expect(isDay('2027-13-01')).to.equal(false)
    expect(isDay('2027-45-01')).to.equal(false)
    expect(isDay('2027-00-10')).to.equal(false)
    expect(() => addDays('2027-02-30', 1)).to.throw(RangeError, 'Expected a day like 2027-03-08, got 2027-02-30')
    expect(() => weekdayIndex('soon')).to.throw(RangeError)
  })

  it('goes there and back again', () => {
    fc.assert(
      fc.property(fc.integer({ min: -4000, max: 4000 }), (days) => {
        const there = addDays('2027-03-08', days)
        expect(daysBetween('2027-03-08', there)).to.equal(days)
        expect(addDays(there, -days)).to.equal('2027-03-08')
      }),
    )
  })
})

describe('moments', () => {
  it('finds the day in the workshop’s own zone', () => {
    expect(dayInZone('2027-04-10T19:00', 'Europe/Lisbon', 'Europe/Lisbon')).to.equal('2027-04-10')
    // 01:00 on the 10th in Auckland is 13:00 UTC on the 9th.
    expect(dayInZone('2027-04-10T01:00', 'Pacific/Auckland', 'Europe/Lisbon')).to.equal('2027-04-09')
    expect(dayOfInstant('2027-04-10T23:30:00Z', 'Pacific/Auckland')).to.equal('2027-04-11')
  })

  it('takes the first of several moments, as of subscribers before all others', () => {
    const early = ['2027-04-10T19:00', '2027-04-08T00:30', '2027-04-09T12:00']
    expect(firstDayInZone(early, 'Europe/Lisbon', 'Europe/Lisbon')).to.equal('2027-04-08')
    // Half past midnight in Berlin is still the day before in Lisbon.
    expect(firstDayInZone(early, 'Europe/Berlin', 'Europe/Lisbon')).to.equal('2027-04-07')
    expect(() => firstDayInZone([], 'Europe/Lisbon', 'Europe/Lisbon')).to.throw(RangeError)
  })

  it('writes moments with their zone', () => {
    expect(formatMoment('2027-04-10T19:00', 'Europe/Lisbon')).to.equal('Sat 10 Apr 2027, 19:00 (Europe/Lisbon)')
    expect(formatInstant('2027-07-08T12:00:00Z', 'Europe/Lisbon')).to.equal('Thu 8 Jul 2027, 13:00')
  })

  it('knows zones and refuses others', () => {
    expect(isTimeZone('Europe/Lisbon')).to.equal(true)
    expect(isTimeZone('Europe/Nowhere')).to.equal(false)
    expect(() => dayInZone('2027-04-31T10:00', 'Europe/Lisbon', 'Europe/Lisbon')).to.throw(RangeError)
  })
})
