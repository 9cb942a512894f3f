import { DateTime, IANAZone } from 'luxon'
import type { Day } from './day'

/** Whether the text names a time zone of the IANA database, such as `Europe/Berlin`. */
export function isTimeZone(zone: string): boolean {
  return IANAZone.isValidZone(zone)
}

function atZone(local: string, zone: string): DateTime {
  const moment = DateTime.fromISO(local, { zone })
  if (!moment.isValid)
    throw new RangeError(`Expected a time like 2027-04-10T19:00 in a known zone, got ${local} in ${zone}`)
  return moment
}

/**
 * The calendar day in `workshopZone` on which a moment given as wall time in `zone` falls.
 * A release at 01:00 in Auckland may be the day before in Lisbon.
 *
 * @throws {RangeError} if the time or a zone is not valid
 */
export function dayInZone(local: string, zone: string, workshopZone: string): Day {
  return atZone(local, zone).setZone(workshopZone).toFormat('yyyy-MM-dd')
}

/**
 * The first of the calendar days in `workshopZone` on which moments fall that are given as wall time in `zone`.
 *
 * @throws {RangeError} if there is no moment, or a time or a zone is not valid
 */
export function firstDayInZone(locals: readonly string[], zone: string, workshopZone: string): Day {
  const [first] = locals.map((local) => dayInZone(local, zone, workshopZone)).sort()
  if (first === undefined) throw new RangeError('Expected at least one moment, got none')
  return first
}

/** The instant (ISO 8601, UTC) of a moment given as wall time in a zone. @throws {RangeError} if it is not valid */
export function instantOf(local: string, zone: string): string {
  return atZone(local, zone).toJSDate().toISOString()
}

/** The calendar day of an instant (ISO 8601 with offset, or Z) in a zone. @throws {RangeError} if it is not valid */
export function dayOfInstant(instant: string, zone: string): Day {
  return atZone(instant, zone).setZone(zone).toFormat('yyyy-MM-dd')
}

/** "Sat 10 Apr 2027, 19:00 (Europe/Lisbon)". @throws {RangeError} if the time or zone is not valid */
export function formatMoment(local: string, zone: string): string {
  return `${atZone(local, zone).setLocale('en').toFormat('ccc d LLL yyyy, HH:mm')} (${zone.replace('_', ' ')})`
}

/** "Mon 8 Mar, 14:05" of an instant in a zone. @throws {RangeError} if it is not valid */
export function formatInstant(instant: string, zone: string): string {
  return atZone(instant, zone).setZone(zone).setLocale('en').toFormat('ccc d LLL yyyy, HH:mm')
}
