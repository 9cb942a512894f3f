import type { Day } from '@vendange/core/calendar'
import type { servicesOf } from '../app'
import type { Readings } from '../readings'

/** What the makers of the demo work with while its history is made. */
export interface Seeding {
  readonly services: ReturnType<typeof servicesOf>
  readonly readings: Readings
  readonly makerIds: readonly string[]
  /** Stands on a day from now on, at noon or so many minutes after it. */
  setDay(day: Day, minutes?: number): void
}

/** A made-up wobble of the hand from −1 to 1, the same for the same number. */
export const wobble = (seed: number): number => Math.sin(seed * 12.9898) * 0.8 + Math.sin(seed * 4.1) * 0.2
