import { expect } from 'chai'
import fc from 'fast-check'
import { clockText, minutesOfClock } from '../../src/calendar'
import { busyTimes, hoursLeft } from '../../src/calendar/busy'
import { plainly } from '../plainly'

const span = { from: '2027-03-01', to: '2027-04-30', zone: 'Europe/Lisbon' }
const calendar = (...events: readonly string[]): string =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//y//EN', ...events, 'END:VCALENDAR'].join('\r\n')
const event = (...lines: readonly string[]): string => ['BEGIN:VEVENT', 'UID:1', ...lines, 'END:VEVENT'].join('\r\n')

describe('busyTimes', () => {
  it('reads times in UTC, in a named zone and without a zone as wall time of the workshop', () => {
    const { times, troubles } = busyTimes(
      calendar(
        event('SUMMARY:Market', 'DTSTART:20270306T080000Z', 'DTEND:20270306T140000Z'),
        event(
          'SUMMARY:Berlin call',
          'DTSTART;TZID=Europe/Berlin:20270309T200000',
          'DTEND;TZID=Europe/Berlin:20270309T210000',
        ),
        event('SUMMARY:Choir', 'DTSTART:20270310T190000', 'DURATION:PT90M'),
      ),
      span,
    )
    expect(troubles).to.deep.equal([])
    expect(times).to.deep.equal([
      { day: '2027-03-06', fromMin: 480, toMin: 840, summary: 'Market' },
      { day: '2027-03-09', fromMin: 1140, toMin: 1200, summary: 'Berlin call' },
      { day: '2027-03-10', fromMin: 1140, toMin: 1230, summary: 'Choir' },
    ])
  })

  it('takes a whole day, several days, and a night in two parts', () => {
    const { times } = busyTimes(
      calendar(
        event('SUMMARY:Away', 'DTSTART;VALUE=DATE:20270310', 'DTEND;VALUE=DATE:20270312'),
        event('SUMMARY:Night', 'DTSTART:20270315T220000', 'DTEND:20270316T060000'),
      ),
      span,
    )
    expect(times.map(({ day, fromMin, toMin }) => [day, fromMin, toMin])).to.deep.equal([
      ['2027-03-10', 0, 1440],
      ['2027-03-11', 0, 1440],
      ['2027-03-15', 1320, 1440],
      ['2027-03-16', 0, 360],
    ])
  })

  it('unrolls what repeats, across the night when the clocks change, without its exceptions', () => {
    const { times } = busyTimes(
      calendar(
        event(
          'SUMMARY:Class',
          'DTSTART;TZID=Europe/Lisbon:20270318T190000',
          'DTEND;TZID=Europe/Lisbon:20270318T203000',
          'RRULE:FREQ=WEEKLY;COUNT=4',
          'EXDATE;TZID=Europe/Lisbon:20270401T190000',
        ),
      ),
      span,
    )
    // The clocks go forward on 28 March: the class stays at seven.
    expect(times.map(({ day, fromMin, toMin }) => [day, fromMin, toMin])).to.deep.equal([
      ['2027-03-18', 1140, 1230],
      ['2027-03-25', 1140, 1230],
      ['2027-04-08', 1140, 1230],
    ])
  })

  it('stops unrolling what never ends, and passes over what is free or cancelled', () => {
    const { times } = busyTimes(
      calendar(
        event('DTSTART;VALUE=DATE:20200101', 'RRULE:FREQ=DAILY', 'SUMMARY:Forever'),
        event('DTSTART:20270310T100000', 'DTEND:20270310T110000', 'TRANSP:TRANSPARENT'),
        event('DTSTART:20270310T100000', 'DTEND:20270310T110000', 'STATUS:CANCELLED'),
      ),
      { ...span, to: '2027-03-03' },
    )
    expect(times.map(({ day }) => day)).to.deep.equal(['2027-03-01', '2027-03-02', '2027-03-03'])
  })

  it('uses what it can read of a broken file and tells the line of the rest', () => {
    const { times, unread, troubles } = busyTimes(
      calendar(
        event('SUMMARY:Good', 'DTSTART:20270310T100000', 'DTEND:20270310T110000'),
        event('SUMMARY:No start'),
        event('SUMMARY:Nonsense', 'DTSTART:20271399T990000'),
        'BEGIN:VEVENT\r\nthis is no line\r\nEND:VEVENT',
        event('SUMMARY:Also good', 'DTSTART:20270311T100000', 'DTEND:20270311T110000'),
      ),
      span,
    )
    expect(times.map(({ summary }) => summary)).to.include.members(['Good', 'Also good'])
    expect(unread).to.be.at.least(2)
    expect(troubles.map(plainly).join(' ')).to.match(/event_unread, line \d+/)
  })

  it('reads an unknown zone as the workshop’s and says so', () => {
    const { times, troubles } = busyTimes(
      calendar(
        event('SUMMARY:Odd', 'DTSTART;TZID=Nowhere/Atall:20270310T100000', 'DTEND;TZID=Nowhere/Atall:20270310T110000'),
      ),
      span,
    )
    expect(times).to.deep.equal([{ day: '2027-03-10', fromMin: 600, toMin: 660, summary: 'Odd' }])
    expect(plainly(troubles[0])).to.match(/^zone_unknown, zone Nowhere\/Atall, readAs /)
  })

  it('reads ten thousand events', () => {
    const many = Array.from({ length: 10_000 }, (_, index) =>
      event(`SUMMARY:E${index}`, `DTSTART:202703${String(1 + (index % 28)).padStart(2, '0')}T100000`, 'DURATION:PT1H'),
    )
    expect(busyTimes(calendar(...many), span).times).to.have.length(10_000)
  })

  it('never throws on any text', () => {
    expect(plainly(busyTimes('', span).troubles[0])).to.equal('no_event_found')
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.constantFrom(
              'BEGIN:VEVENT',
              'END:VEVENT',
              'DTSTART:',
              'RRULE:FREQ=',
              'DTSTART:20270310T100000',
              'BEGIN:VALARM',
            ),
            fc.string(),
          ),
        ),
        (lines) => {
          expect(busyTimes(lines.join('\r\n'), span).times).to.be.an('array')
        },
      ),
    )
  })
})

describe('hoursLeft', () => {
  const window = () => ({ startMin: 1140, hours: 2.5 }) // 19:00 to 21:30
  const busy = (fromMin: number, toMin: number, summary = 'Busy') => ({ day: '2027-03-10', fromMin, toMin, summary })

  it('takes off what falls into the working window only, and what overlaps once', () => {
    expect(hoursLeft([busy(540, 1020)], window)).to.deep.equal([])
    expect(hoursLeft([busy(1200, 1260)], window)).to.deep.equal([{ day: '2027-03-10', hours: 1.5, reason: 'Busy' }])
    expect(hoursLeft([busy(1140, 1200, 'A'), busy(1170, 1230, 'B')], window)).to.deep.equal([
      { day: '2027-03-10', hours: 1, reason: 'A, B' },
    ])
    expect(hoursLeft([busy(0, 1440)], window)[0]?.hours).to.equal(0)
  })
})

describe('the time of day', () => {
  it('is written and read back', () => {
    expect(clockText(1145)).to.equal('19:05')
    expect(minutesOfClock('19:05')).to.equal(1145)
    expect(minutesOfClock('24:00')).to.equal(undefined)
    expect(minutesOfClock('seven')).to.equal(undefined)
    expect(() => clockText(1440)).to.throw(RangeError, 'from 0 to 1439')
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1439 }), (minutes) => {
        expect(minutesOfClock(clockText(minutes))).to.equal(minutes)
      }),
    )
  })
})
