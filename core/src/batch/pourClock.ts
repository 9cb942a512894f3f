import type { Finding } from '../findings'
import { refuse } from '../findings'
import type { Range } from '../units'
import { isWithin } from '../units'

/** What can be tapped on the pour's clock. Kept as records of the pour, like its steps, though no step asks for them. */
export const clockKeys = {
  /** The moment of emulsion: minutes since 1970 by the tablet's clock. The others are minutes after it. */
  emulsion: 'clock:emulsion',
  thin: 'clock:thin',
  medium: 'clock:medium',
  /** Not yet too thick; the last such tap counts. */
  stillFlows: 'clock:still_flows',
  tooThick: 'clock:too_thick',
  fallback: 'clock:fallback',
} as const

/** Record of a move of the pour plan that is done, by its place in the plan. */
export const clockMoveKey = (index: number): string => `clock:move:${index}`
/** The move that a record is of; undefined for another record. */
export function moveOfKey(stepKey: string): number | undefined {
  const place = /^clock:move:(\d+)$/.exec(stepKey)?.[1]
  return place === undefined ? undefined : Number(place)
}

/** Whether a record is a tap on the clock, not a step of the run sheet. */
export const isClockKey = (stepKey: string): boolean => stepKey.startsWith('clock:')

/** A pour is over long before this, minutes. */
const clockRange: Range = { min: 0, max: 24 * 60 }
const known = new Set<string>(Object.values(clockKeys))

/** What is wrong with a tap on the clock. */
export function checkClockRecord(stepKey: string, actual: number | null): readonly Finding[] {
  if (!known.has(stepKey) && moveOfKey(stepKey) === undefined) return [refuse('clock_tap_unknown', undefined, 'actual')]
  if (actual === null) return [refuse('clock_time_missing', undefined, 'actual')]
  if (stepKey === clockKeys.emulsion) return actual > 0 ? [] : [refuse('clock_not_set', undefined, 'actual')]
  return isWithin(actual, clockRange) ? [] : [refuse('clock_range', undefined, 'actual')]
}
