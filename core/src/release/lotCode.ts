import type { Day } from '../calendar'
import { isDay } from '../calendar'

/**
 * Lot code of a loaf: the pour day and the loaf's number on that day, `270313-2`. Short enough for a stamp, and it
 * sorts by time.
 *
 * @param number counts the day's loaves from 1
 * @throws {RangeError} if the day is no day or the number is not a whole one from 1
 * @example lotCode('2027-03-13', 2) // '270313-2'
 */
export function lotCode(pourDay: Day, number: number): string {
  if (!isDay(pourDay)) throw new RangeError(`Expected a day like 2027-03-08, got ${pourDay}`)
  if (!Number.isSafeInteger(number) || number < 1) throw new RangeError(`Expected a whole number from 1, got ${number}`)
  return `${pourDay.slice(2).replaceAll('-', '')}-${number}`
}
