import { expect } from 'chai'
import fc from 'fast-check'
import { addDays, formatDay, parseDay } from '../../src/calendar'

const today = '2027-03-08' // a Monday
const read = (text: string, order: 'day_first' | 'month_first' = 'day_first') => parseDay(text, { today, order })

describe('parseDay', () => {
  it('reads a day in words, its year and weekday or none', () => {
    for (const text of [
      '10 Apr 2027',
      'Sat 10 Apr 2027',
      'Sat 10 Apr',
      '10 april',
      'Apr 10',
      'April 10, 2027',
      '10. Apr',
    ])
      expect(read(text), text).to.equal('2027-04-10')
  })

  it('reads figures in the workshop’s own order', () => {
    expect(read('10/4/2027')).to.equal('2027-04-10')
    expect(read('10.4.')).to.equal('2027-04-10')
    expect(read('10-4-27')).to.equal('2027-04-10')
    expect(read('4/10/2027', 'month_first')).to.equal('2027-04-10')
    expect(read('4/10', 'month_first')).to.equal('2027-04-10')
    expect(read('2027-04-10', 'month_first')).to.equal('2027-04-10')
  })

  it('takes the year in which the day is nearest', () => {
    expect(read('20 Feb')).to.equal('2027-02-20')
    expect(read('6 Sep')).to.equal('2027-09-06')
    // 181 days back, 184 ahead.
    expect(read('8 Sep')).to.equal('2026-09-08')
    expect(read('31 Dec')).to.equal('2026-12-31')
    expect(parseDay('10 Jan', { today: '2027-12-20', order: 'day_first' })).to.equal('2028-01-10')
    expect(parseDay('29 Feb', { today: '2027-12-20', order: 'day_first' })).to.equal('2028-02-29')
  })

  it('counts from today', () => {
    expect(read('today')).to.equal(today)
    expect(read('Tomorrow')).to.equal('2027-03-09')
    expect(read('+3')).to.equal('2027-03-11')
    expect(read('+ 10 days')).to.equal('2027-03-18')
    // The next Saturday; today's own weekday is a week from now.
    expect(read('sat')).to.equal('2027-03-13')
    expect(read('Monday')).to.equal('2027-03-15')
  })

  it('reads nothing else, and no day that there is not', () => {
    for (const text of [
      '',
      '10',
      '31 Feb',
      '29 Feb 2027',
      '45/1',
      '4/13',
      'soon',
      '10 Foo',
      '1 Apr 1850',
      '2027-02-30',
    ])
      expect(read(text, text === '4/13' ? 'day_first' : 'month_first'), text).to.equal(undefined)
  })

  it('reads every day as it is told, and never throws', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -9000, max: 9000 }),
        fc.constantFrom('day_first' as const, 'month_first' as const),
        (days, order) => {
          const day = addDays(today, days)
          if (Math.abs(days) < 180) expect(read(formatDay(day), order)).to.equal(day)
          expect(read(formatDay(day, '1990-01-01'), order)).to.equal(day)
        },
      ),
    )
    fc.assert(
      fc.property(fc.string(), (text) => {
        const day = read(text)
        expect(day === undefined || /^\d{4}-\d{2}-\d{2}$/.test(day)).to.equal(true)
      }),
    )
  })
})
