import { DateTime } from 'luxon'

/** A calendar day as ISO 8601 text, `2027-03-08`. It has no time and no zone. */
export type Day = string

function parse(day: Day): DateTime {
  const parsed = DateTime.fromISO(day, { zone: 'utc' })
  if (!/^\d{4}-\d{2}-\d{2}$/.test(day) || !parsed.isValid)
    throw new RangeError(`Expected a day like 2027-03-08, got ${day}`)
  return parsed
}

function write(date: DateTime): Day {
  return date.toFormat('yyyy-MM-dd')
}

/** Whether the text is a real calendar day. */
export function isDay(text: string): boolean {
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && DateTime.fromISO(text, { zone: 'utc' }).isValid
}

/** The day `days` later (earlier when negative). @throws {RangeError} if it is no day */
export function addDays(day: Day, days: number): Day {
  return write(parse(day).plus({ days }))
}

/** Whole days from `from` to `to`; negative when `to` is earlier. @throws {RangeError} if one is no day */
export function daysBetween(from: Day, to: Day): number {
  return Math.round(parse(to).diff(parse(from), 'days').days)
}

/** 0 for Monday to 6 for Sunday. @throws {RangeError} if it is no day */
export function weekdayIndex(day: Day): number {
  return parse(day).weekday - 1
}

/** The Monday of the week that holds `day`. @throws {RangeError} if it is no day */
export function mondayOf(day: Day): Day {
  return addDays(day, -weekdayIndex(day))
}

/** "Thu 11 Mar"; with the year when it differs from that of `today`. @throws {RangeError} if it is no day */
export function formatDay(day: Day, today?: Day): string {
  const date = parse(day)
  const sameYear = today === undefined || today.slice(0, 4) === day.slice(0, 4)
  return date.setLocale('en').toFormat(sameYear ? 'ccc d LLL' : 'ccc d LLL yyyy')
}

/** "today", "tomorrow", "in 3 days", "2 days ago". @throws {RangeError} if one is no day */
export function relativeDay(day: Day, today: Day): string {
  const days = daysBetween(today, day)
  if (days === 0) return 'today'
  if (days === 1) return 'tomorrow'
  if (days === -1) return 'yesterday'
  return days > 0 ? `in ${days} days` : `${-days} days ago`
}
