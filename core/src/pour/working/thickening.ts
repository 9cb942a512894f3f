import type { Trace } from '../trace'

/**
 * How far a batter has thickened, as a share of its working time, when each trace begins; at 1 it is too thick for a
 * swirl, and past {@link tooThick} for anything but spooning. Estimates from usual practice.
 */
export const traceBegins: Readonly<Record<Trace, number>> = { emulsion: 0, thin: 0.12, medium: 0.5, thick: 0.85 }
export const traceEnds: Readonly<Record<Trace, number>> = { emulsion: 0.2, thin: 0.55, medium: 0.9, thick: 1.3 }
export const tooThick = 1.3

/** How a batter thickens: before and after its scent is stirred in. */
export interface Thickening {
  /** Minutes from emulsion to thick without scent. */
  readonly plainMin: number
  /** By how much the scent multiplies that. */
  readonly scentTimes: number
  /** Minutes after emulsion at which the scent goes in. */
  readonly scentAtMin: number
}

/** How far it has thickened at a time after emulsion, min; 1 is thick. @throws {RangeError} if a time is not above 0 */
export function thickenedAt(minutes: number, { plainMin, scentTimes, scentAtMin }: Thickening): number {
  if (!(plainMin > 0) || !(scentTimes > 0))
    throw new RangeError(`Expected times above 0, got ${plainMin}, ${scentTimes}`)
  const before = Math.min(minutes, scentAtMin)
  return before / plainMin + Math.max(0, minutes - scentAtMin) / (plainMin * scentTimes)
}

/** When it has thickened so far, minutes after emulsion: `thickenedAt` turned round. @throws {RangeError} */
export function minutesUntil(thickened: number, { plainMin, scentTimes, scentAtMin }: Thickening): number {
  if (!(plainMin > 0) || !(scentTimes > 0))
    throw new RangeError(`Expected times above 0, got ${plainMin}, ${scentTimes}`)
  const atScent = scentAtMin / plainMin
  return thickened <= atScent ? thickened * plainMin : scentAtMin + (thickened - atScent) * plainMin * scentTimes
}

/** What the batter looks like when it has thickened so far; `undefined` once it is too thick for anything. */
export function traceAt(thickened: number): Trace | undefined {
  if (thickened >= tooThick) return undefined
  if (thickened >= traceBegins.thick) return 'thick'
  if (thickened >= traceBegins.medium) return 'medium'
  return thickened >= traceBegins.thin ? 'thin' : 'emulsion'
}

/** One pot of a batter. */
export const thickeningOfPot = (
  { plainMin, scentTimes, scentAtMin }: Thickening,
  { times, isScented }: { readonly times: number; readonly isScented: boolean },
): Thickening => ({ plainMin: plainMin * times, scentTimes: isScented ? scentTimes : 1, scentAtMin })

/** The same batter, slower (above 1) or faster throughout. */
export const scaledThickening = (thickening: Thickening, by: number): Thickening => ({
  ...thickening,
  plainMin: thickening.plainMin * by,
})
