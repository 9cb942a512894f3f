import { sentence } from '@vendange/core/findings'
import type { SeasonView } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import { mouldsOfBatch } from '@vendange/core/season'
import type { Say } from '@vendange/words'
import type { ICalCalendar } from 'ical-generator'
import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator'
import { DateTime } from 'luxon'
import { tzlib_get_ical_block } from 'timezones-ical-library'

/** Wall time on a day in the workshop's zone. A time that the clocks skip in spring is the first one after it. */
function at(day: string, minutes: number, zone: string): DateTime {
  return DateTime.fromISO(day, { zone }).set({ hour: Math.floor(minutes / 60), minute: minutes % 60 })
}

/** The VTIMEZONE of a zone, from the IANA database. */
function zoneBlock(name: string): string | null {
  const [block] = tzlib_get_ical_block(name)
  return block ?? null
}

interface Entry {
  readonly id: string
  readonly summary: string
  readonly day: string
  readonly hours: number
  readonly description?: string
  readonly alarmHours: number
}

/**
 * The season as iCalendar (RFC 5545): preparing, pouring, cutting with their hours at the start of the day's work, the
 * end of each cure as a whole day, releases at their moment, each with an alarm. What is done on one day follows one after
 * the other: it is prepared, then poured, then cut.
 *
 * @param stamp time of the last change, for DTSTAMP
 * @param say puts sentences into the workshop's words
 */
export function calendarFeed(view: SeasonView, stamp: Date, say: Say): string {
  const { workshop } = view
  const zone = workshop.timeZone
  const calendar: ICalCalendar = ical({
    name: say(sentence('feed_name', { workshop: workshop.name })),
    prodId: { company: 'Vendange', product: 'Season', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    // With a VTIMEZONE for every zone that is named, as RFC 5545 asks.
    timezone: { name: zone, generator: (name) => zoneBlock(name) },
    ttl: 3600,
  })
  const startOf = (day: string): number => workshop.weekStartMin[(DateTime.fromISO(day).weekday + 6) % 7] ?? 0

  /** Where the next work of a day begins. */
  const free = new Map<string, DateTime>()
  const add = ({ id, summary, day, hours, description, alarmHours }: Entry): void => {
    const start = free.get(day) ?? at(day, startOf(day), zone)
    const end = start.plus({ minutes: Math.max(15, Math.round(hours * 60)) })
    free.set(day, end)
    const event = calendar.createEvent({
      id: `${id}@vendange`,
      summary,
      start,
      end,
      timezone: zone,
      stamp,
      ...(description === undefined ? {} : { description }),
    })
    event.createAlarm({ type: ICalAlarmType.display, trigger: alarmHours * 3600, description: summary })
  }

  const work: Record<'prepare' | 'pour' | 'cut', Entry[]> = { prepare: [], pour: [], cut: [] }
  for (const batch of view.batches) {
    const { id, name, demand, days, status } = batch
    const moulds = [...mouldsOfBatch(batch)].map(
      ([mouldId, count]) => `${count} × ${view.moulds.find((one) => one.id === mouldId)?.name ?? ''}`,
    )
    const description = say(sentence('feed_moulds', { moulds: moulds.join(', '), bars: batch.bars }))
    if (status === 'planned') {
      if (days.prepDay !== null)
        work.prepare.push({
          id: `${id}-prepare`,
          summary: say(sentence('feed_prepare', { soap: name })),
          day: days.prepDay,
          hours: demand.prepHours,
          alarmHours: 2,
        })
      work.pour.push({
        id: `${id}-pour`,
        summary: say(sentence('feed_pour', { soap: name })),
        day: days.pourDay,
        hours: demand.pourHours,
        description,
        alarmHours: 12,
      })
    }
    if (days.cutDay >= view.today)
      work.cut.push({
        id: `${id}-cut`,
        summary: say(sentence('feed_cut', { soap: name })),
        day: days.cutDay,
        hours: demand.cutHours,
        alarmHours: 2,
      })
    if (days.readyDay >= view.today) {
      calendar.createEvent({
        id: `${id}-ready@vendange`,
        summary: say(sentence('feed_cured', { soap: name })),
        start: DateTime.fromISO(days.readyDay, { zone }),
        end: DateTime.fromISO(addDays(days.readyDay, 1), { zone }),
        allDay: true,
        stamp,
      })
    }
  }
  for (const entry of [...work.prepare, ...work.pour, ...work.cut]) add(entry)
  for (const collection of view.collections.filter(({ isRemoved }) => !isRemoved)) {
    const moments = [
      {
        key: 'release',
        name: say(sentence('feed_release', { collection: collection.name })),
        local: collection.releaseLocal,
      },
      ...collection.early.map(({ audience, local }, index) => ({
        key: `early-${index}`,
        name: say(sentence('feed_early', { collection: collection.name, audience: audience.toLowerCase() })),
        local,
      })),
    ]
    for (const { key, name, local } of moments) {
      const start = DateTime.fromISO(local, { zone: collection.releaseZone })
      if (!start.isValid) continue
      const event = calendar.createEvent({
        id: `${collection.id}-${key}@vendange`,
        summary: name,
        start,
        end: start.plus({ minutes: 30 }),
        timezone: collection.releaseZone,
        stamp,
      })
      event.createAlarm({ type: ICalAlarmType.display, trigger: 3600, description: name })
    }
  }
  return calendar.toString()
}
