import type { Finding } from '../findings'
import type { Range } from '../units'
import { isWithin } from '../units'

/** What can be tapped on the pour's clock. Versioned as records of the pour, like its steps, though no step asks for them. */
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

const moveKey = 'clock:move:'
/** Record of a move of the pour plan that is done, by its place in the plan. */
export const clockMoveKey = (index: number): string => `${moveKey}${index}`
/** The move that a record is of; undefined for another record. */
export const moveOfKey = (stepKey: string): number | undefined =>
  stepKey.startsWith(moveKey) ? Number(stepKey.slice(moveKey.length)) : undefined

export const isClockKey = (stepKey: string): boolean => stepKey.startsWith('clock:')

/** A pour is over long before this, minutes. */
const clockRange: Range = { min: 0, max: 24 * 60 }
const known = new Set<string>(Object.values(clockKeys))

/** What is wrong with a tap on the clock. */
export function checkClockRecord(stepKey: string, actual: number | null): readonly Finding[] {
  const refuse = (code: string, message: string): readonly Finding[] => [
    { severity: 'refuse', code, field: 'actual', message },
  ]
  const move = moveOfKey(stepKey)
  const isKnown = known.has(stepKey) || (move !== undefined && Number.isInteger(move) && move >= 0)
  if (!isKnown) return refuse('unknown_step', 'The clock of a pour has no such tap.')
  if (actual === null) return refuse('figure_missing', 'Say when it was.')
  if (stepKey === clockKeys.emulsion) return actual > 0 ? [] : refuse('clock_range', 'The tablet’s clock is not set.')
  return isWithin(actual, clockRange)
    ? []
    : refuse('clock_range', 'That is before emulsion, or more than a day after it.')
}
