import type { Day } from '@vendange/core/calendar'
import { dayOfInstant, isDay } from '@vendange/core/calendar'

/** Where the time comes from. */
export interface Clock {
  now(): Date
  /** The calendar day in a time zone. */
  today(timeZone: string): Day
}

/** When something happened that was told so many seconds later, ISO 8601, UTC. */
export const momentAgo = (clock: Pick<Clock, 'now'>, seconds: number): string =>
  new Date(clock.now().getTime() - seconds * 1000).toISOString()

/** The machine's own clock. */
export const systemClock: Clock = {
  now: () => new Date(),
  today: (timeZone) => dayOfInstant(new Date().toISOString(), timeZone),
}

/**
 * A clock that stands at noon UTC of one day, which is the same day in nearly every zone.
 *
 * @throws {RangeError} if it is no day
 */
export function frozenClock(day: Day): Clock {
  if (!isDay(day)) throw new RangeError(`Expected a day like 2027-03-08, got ${day}`)
  return { now: () => new Date(`${day}T12:00:00Z`), today: () => day }
}
