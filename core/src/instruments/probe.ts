import type { Command, ProbeReading } from './lines'
import { roundTo } from '../units'

/** How a stand-in for a dip probe behaves. An estimate of usual ones. */
export interface ProbeManner {
  /** After this time 63 % of a change is shown, ms. */
  readonly followMs: number
}

export const usualProbe: ProbeManner = { followMs: 1500 }

/** The stand-in at one moment. */
export interface ProbeState {
  /** What its tip is in, °C; null: it hangs in the air and shows nothing. */
  readonly aroundC: number | null
  readonly sensedC: number
  /** For how long the display has stood still, ms. */
  readonly stillMs: number
}

export const hungProbe: ProbeState = { aroundC: null, sensedC: 21, stillMs: 0 }

const settleMs = 1500
const stillC = 0.15

/** A hand with the probe. */
export function commandProbe(state: ProbeState, command: Command): ProbeState {
  if (command.kind === 'dip') return { ...state, aroundC: command.temperatureC, stillMs: 0 }
  if (command.kind === 'lift') return { ...state, aroundC: null, stillMs: 0 }
  return state
}

/** The stand-in some time later: it comes to what it is in. @param elapsedMs time that has passed, from 0 */
export function passProbeTime(state: ProbeState, elapsedMs: number, manner = usualProbe): ProbeState {
  if (state.aroundC === null) return state
  const gapC = state.aroundC - state.sensedC
  return {
    ...state,
    sensedC: state.sensedC + gapC * (1 - Math.exp(-elapsedMs / manner.followMs)),
    stillMs: Math.abs(gapC) < stillC ? state.stillMs + elapsedMs : 0,
  }
}

/** What the display shows. */
export function readProbe(state: ProbeState): ProbeReading {
  return state.aroundC === null
    ? { kind: 'off' }
    : {
        kind: 'temperature',
        temperatureC: roundTo(state.sensedC, 1),
        isSettled: state.stillMs >= settleMs,
      }
}
