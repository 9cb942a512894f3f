import { DateTime } from 'luxon'

/** A calendar day as ISO 8601 text, `2027-03-08`. It has no time and no zone. */
export type Day = string

const dayPattern = /^(\d{4})-(\d{2})-(\d{2})$/
const millisecondsInDay = 86_400_000

// Days are counted from 1 January 1970 in UTC, where every day has 24 hours. Plans ask for this by the thousand.
function dayNumberOf(day: Day): number | undefined {
  const parts = dayPattern.exec(day)
  if (!parts) return undefined
  const time = Date.UTC(Number(parts[1]), Number(parts[2]) - 1, Number(parts[3]))
  const at = new Date(time)
  const isReal = at.getUTCDate() === Number(parts[3]) && at.getUTCMonth() === Number(parts[2]) - 1
  return isReal ? time / millisecondsInDay : undefined
}

function expectDayNumber(day: Day): number {
  const number = dayNumberOf(day)
  if (number === undefined) throw new RangeError(`Expected a day like 2027-03-08, got ${day}`)
  return number
}

/** Whether the text is a real calendar day. */
export function isDay(text: string): boolean {
  return dayNumberOf(text) !== undefined
}

/** Days that can be written down here, first and last: far enough for any record and any plan. */
export const dayRange = { min: '1990-01-01', max: '2099-12-31' } as const

/** Whether the text is a calendar day within {@link dayRange}. */
export function isNearDay(text: string): boolean {
  return isDay(text) && text >= dayRange.min && text <= dayRange.max
}

/** The day `days` later (earlier when negative). @throws {RangeError} if it is no day */
export function addDays(day: Day, days: number): Day {
  return new Date((expectDayNumber(day) + days) * millisecondsInDay).toISOString().slice(0, 10)
}

/** Whole days from `from` to `to`; negative when `to` is earlier. @throws {RangeError} if one is no day */
export function daysBetween(from: Day, to: Day): number {
  return expectDayNumber(to) - expectDayNumber(from)
}

/** 0 for Monday to 6 for Sunday. @throws {RangeError} if it is no day */
export function weekdayIndex(day: Day): number {
  const thursdayWasDayZero = 3
  return (((expectDayNumber(day) + thursdayWasDayZero) % 7) + 7) % 7
}

/** The Monday of the week that holds `day`. @throws {RangeError} if it is no day */
export function mondayOf(day: Day): Day {
  return addDays(day, -weekdayIndex(day))
}

// A board says the same few hundred days again and again, and putting one into words is slow.
const inWords = new Map<string, string>()
const mostInWords = 2000

/** "Thu 11 Mar"; with the year when it differs from that of `today`. @throws {RangeError} if it is no day */
export function formatDay(day: Day, today?: Day): string {
  expectDayNumber(day)
  const pattern = today === undefined || today.slice(0, 4) === day.slice(0, 4) ? 'ccc d LLL' : 'ccc d LLL yyyy'
  const key = `${pattern}|${day}`
  const known = inWords.get(key)
  if (known !== undefined) return known
  const words = DateTime.fromISO(day, { zone: 'utc' }).setLocale('en').toFormat(pattern)
  if (inWords.size >= mostInWords) inWords.clear()
  inWords.set(key, words)
  return words
}

/** "May 2027". @throws {RangeError} if it is no day */
export function formatMonth(day: Day): string {
  expectDayNumber(day)
  return DateTime.fromISO(day, { zone: 'utc' }).setLocale('en').toFormat('LLLL yyyy')
}

/** "today", "tomorrow", "in 3 days", "2 days ago". @throws {RangeError} if one is no day */
export function relativeDay(day: Day, today: Day): string {
  const days = daysBetween(today, day)
  if (days === 0) return 'today'
  if (days === 1) return 'tomorrow'
  if (days === -1) return 'yesterday'
  return days > 0 ? `in ${days} days` : `${-days} days ago`
}
