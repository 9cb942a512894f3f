/** A timer at the bench. It stands on a moment, so that it goes on while the page is closed. */
export interface BenchTimer {
  readonly id: string
  /** What to do when it rings. */
  readonly label: string
  readonly minutes: number
  /** ms since 1970 by the tablet's clock. */
  readonly endsAtMs: number
}

/** Milliseconds until it rings; 0 once it does. */
export function remainingMs(timer: Pick<BenchTimer, 'endsAtMs'>, nowMs: number): number {
  return Math.max(0, timer.endsAtMs - nowMs)
}

/** "12:05", or "1:02:05" from an hour on. Begun seconds count whole, so that 0:00 is shown only when it rings. */
export function clockFace(ms: number): string {
  const seconds = Math.ceil(ms / 1000)
  const two = (value: number): string => String(value).padStart(2, '0')
  const minutes = Math.floor(seconds / 60)
  return minutes < 60
    ? `${minutes}:${two(seconds % 60)}`
    : `${Math.floor(minutes / 60)}:${two(minutes % 60)}:${two(seconds % 60)}`
}

/** A clock set by less than this is let be, ms. */
const leastJumpMs = 2000

/**
 * By how much the tablet's clock was set while the page was open, ms: what it went on by, less the time that passed.
 * 0 while it only ran.
 */
export function clockJumpMs(wentOnMs: number, passedMs: number): number {
  const jumpMs = wentOnMs - passedMs
  return Math.abs(jumpMs) < leastJumpMs ? 0 : jumpMs
}

/** Timers as they are after the clock was set: each still rings after the same time. */
export function shiftTimers(timers: readonly BenchTimer[], jumpMs: number): readonly BenchTimer[] {
  return timers.map((timer) => ({ ...timer, endsAtMs: timer.endsAtMs + jumpMs }))
}
