import ICAL from 'ical.js'
import type { Sentence } from '../../findings'
import { sentence } from '../../findings'
import { DateTime, IANAZone } from 'luxon'
import type { Day } from '../day'
import { addDays } from '../day'

/** A time that a calendar says is taken, as wall time of the workshop's zone on one day. */
export interface BusyTime {
  readonly day: Day
  /** Minutes from midnight, 0 to 1440. */
  readonly fromMin: number
  readonly toMin: number
  readonly summary: string
}

export interface BusyTimes {
  readonly times: readonly BusyTime[]
  /** What could not be read, in words, a few of them at most. */
  readonly troubles: readonly Sentence[]
  /** Events that were left out because they could not be read. */
  readonly unread: number
}

export interface BusySpan {
  readonly from: Day
  readonly to: Day
  readonly zone: string
}

const mostTroubles = 5
const mostRepeats = 5000
const minutesInDay = 1440

/**
 * A time of an event as wall time in the workshop's zone. Without a zone of its own, or with an unknown one, it is read
 * as the workshop's.
 */
function atWorkshop(time: ICAL.Time, zoneName: string | undefined, zone: string): DateTime {
  const { year, month, day, hour, minute, second } = time
  const wall = { year, month, day, hour, minute, second }
  if (time.zone === ICAL.Timezone.utcTimezone) return DateTime.fromObject(wall, { zone: 'utc' }).setZone(zone)
  const own = zoneName && IANAZone.isValidZone(zoneName) ? zoneName : zone
  return DateTime.fromObject(wall, { zone: own }).setZone(zone)
}

/** Cuts a span at every midnight between, in the workshop's zone, within the days asked for. */
function byDay(start: DateTime, end: DateTime, summary: string, { from, to }: BusySpan): BusyTime[] {
  const times: BusyTime[] = []
  const minutes = (time: DateTime): number => time.hour * 60 + time.minute
  const last = end.toFormat('yyyy-MM-dd')
  let day = start.toFormat('yyyy-MM-dd')
  if (day < from) day = from
  for (; day <= last && day <= to; day = addDays(day, 1)) {
    const fromMin = day === start.toFormat('yyyy-MM-dd') ? minutes(start) : 0
    const toMin = day === last ? minutes(end) : minutesInDay
    if (toMin > fromMin) times.push({ day, fromMin, toMin, summary })
  }
  return times
}

/**
 * Reads busy times out of an iCalendar file (RFC 5545), repeats unrolled, within a span of days. Events that are
 * transparent or cancelled are passed over. What cannot be read is left out and told; the rest is used. Zones are those
 * of the IANA database; an unknown one is taken as the workshop's, and told.
 *
 * Never throws on what a file may hold.
 */
export function busyTimes(text: string, span: BusySpan): BusyTimes {
  const troubles: Sentence[] = []
  let unread = 0
  const trouble = (what: Sentence): void => {
    const isTold = troubles.some((one) => JSON.stringify(one) === JSON.stringify(what))
    if (troubles.length < mostTroubles && !isTold) troubles.push(what)
  }
  const events = eventTexts(text)
  if (events.length === 0) return { times: [], troubles: [sentence('no_event_found')], unread: 0 }
  const times: BusyTime[] = []
  for (const { source, line } of events) {
    try {
      const component = new ICAL.Component(ICAL.parse(source) as unknown as unknown[])
      const vevent = component.getFirstSubcomponent('vevent')
      if (!vevent) throw new Error('no event')
      const text = (name: string): string => String(vevent.getFirstPropertyValue(name) ?? '')
      if (text('transp') === 'TRANSPARENT' || text('status') === 'CANCELLED') continue
      const zoneName = vevent.getFirstProperty('dtstart')?.getFirstParameter('tzid')
      if (zoneName && !IANAZone.isValidZone(zoneName))
        trouble(sentence('zone_unknown', { zone: zoneName, readAs: span.zone }))
      times.push(...timesOf(new ICAL.Event(vevent), zoneName, text('summary') || 'Busy', span))
    } catch {
      unread += 1
      trouble(sentence('event_unread', { line }))
    }
  }
  times.sort((a, b) => a.day.localeCompare(b.day) || a.fromMin - b.fromMin)
  return { times, troubles, unread }
}

function timesOf(event: ICAL.Event, zoneName: string | undefined, summary: string, span: BusySpan): BusyTime[] {
  const start = event.startDate as ICAL.Time | null
  if (!start) throw new Error('no start')
  const isDate = start.isDate
  const end = event.endDate as ICAL.Time | null
  const length = end ? end.subtractDate(start) : event.duration
  const seconds = Math.max(length?.toSeconds() ?? 0, isDate ? minutesInDay * 60 : 0)
  const wall = (time: ICAL.Time): DateTime => {
    if (isDate) return DateTime.fromObject({ year: time.year, month: time.month, day: time.day }, { zone: span.zone })
    return atWorkshop(time, zoneName, span.zone)
  }
  const one = (time: ICAL.Time): BusyTime[] => {
    const begins = wall(time)
    if (!begins.isValid) throw new Error('no such time')
    const ends = isDate ? begins.plus({ days: Math.round(seconds / 60 / minutesInDay) }) : begins.plus({ seconds })
    return byDay(begins, ends, summary, span)
  }
  if (!event.isRecurring()) return one(start)
  const times: BusyTime[] = []
  const repeats = event.iterator()
  for (let count = 0; count < mostRepeats; count++) {
    const next = repeats.next() as ICAL.Time | undefined
    if (!next) break
    if (wall(next).toFormat('yyyy-MM-dd') > span.to) break
    times.push(...one(next))
  }
  return times
}

/** The events of a calendar each as a calendar of its own, so that one broken line spoils one event only. */
function eventTexts(text: string): { readonly source: string; readonly line: number }[] {
  const events: { source: string; line: number }[] = []
  let open: string[] | undefined
  let line = 0
  let firstLine = 0
  let depth = 0
  for (const row of text.split(/\r\n|\n|\r/)) {
    line += 1
    if (row.toUpperCase() === 'BEGIN:VEVENT') {
      open = []
      firstLine = line
      depth = 0
    }
    if (!open) continue
    if (/^BEGIN:/i.test(row)) depth += 1
    open.push(row)
    if (/^END:/i.test(row)) depth -= 1
    if (row.toUpperCase() === 'END:VEVENT' || (depth <= 0 && /^END:/i.test(row))) {
      events.push({
        source: ['BEGIN:VCALENDAR', 'VERSION:2.0', ...open, 'END:VCALENDAR'].join('\r\n'),
        line: firstLine,
      })
      open = undefined
    }
  }
  return events
}

/** Hours of a working window that busy times leave, and why. */
export interface HoursLeft {
  readonly day: Day
  readonly hours: number
  readonly reason: string
}

/**
 * What busy times leave of each day's working window: from its start for its hours. Overlapping busy times count once.
 * Days that lose nothing are left out.
 *
 * @param windowOn start in minutes from midnight and hours of the window on a day
 */
export function hoursLeft(
  times: readonly BusyTime[],
  windowOn: (day: Day) => { readonly startMin: number; readonly hours: number },
): readonly HoursLeft[] {
  const byDayOf = new Map<Day, BusyTime[]>()
  for (const time of times) byDayOf.set(time.day, [...(byDayOf.get(time.day) ?? []), time])
  return [...byDayOf].flatMap(([day, taken]) => {
    const { startMin, hours } = windowOn(day)
    const endMin = startMin + hours * 60
    let reached = startMin
    let lostMin = 0
    const reasons = new Set<string>()
    for (const { fromMin, toMin, summary } of [...taken].sort((a, b) => a.fromMin - b.fromMin)) {
      const from = Math.max(reached, fromMin)
      const to = Math.min(endMin, toMin)
      if (to <= from) continue
      lostMin += to - from
      reached = to
      reasons.add(summary)
    }
    if (lostMin <= 0) return []
    const left = Math.max(0, Math.round((hours - lostMin / 60) * 100) / 100)
    return [{ day, hours: left, reason: [...reasons].join(', ').slice(0, 80) }]
  })
}
