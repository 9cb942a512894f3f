import { roundToScale } from '../units'
import type { Command, ScaleReading } from './lines'

/** How a stand-in for a kitchen scale behaves. All of it is an estimate of usual ones. */
export interface ScaleManner {
  /** Smallest step it shows, g. */
  readonly stepG: number
  /** Most it can weigh, vessel and all, g. */
  readonly capacityG: number
  /** How slowly the display follows the pan: after this time 63 % of a change is shown, ms. */
  readonly followMs: number
  /** What it creeps by under a load, as a share of the load an hour. */
  readonly creepPerHour: number
}

export const usualScale: ScaleManner = { stepG: 1, capacityG: 6000, followMs: 350, creepPerHour: 0.0004 }

/** The stand-in at one moment. */
export interface ScaleState {
  /** On the pan, vessel and all, g. */
  readonly loadG: number
  /** What the sensor has come to, g. */
  readonly sensedG: number
  /** Shown as zero, g. */
  readonly tareG: number
  readonly isTared: boolean
  /** For how long the display has stood still, ms. */
  readonly stillMs: number
}

export const emptyScale: ScaleState = { loadG: 0, sensedG: 0, tareG: 0, isTared: false, stillMs: 0 }

/** The display holds a figure once it has stood still for this long, ms. */
const settleMs = 700
/** Closer than this share of a step, the sensor counts as still. */
const stillShare = 0.4

/** A hand at the scale. Nothing can be taken off that is not on it. */
export function commandScale(state: ScaleState, command: Command): ScaleState {
  if (command.kind === 'tare') return { ...state, tareG: state.sensedG, isTared: true, stillMs: 0 }
  if (command.kind === 'empty') return { ...state, loadG: 0, stillMs: 0 }
  if (command.kind === 'put') return { ...state, loadG: Math.max(0, state.loadG + command.massG), stillMs: 0 }
  return state
}

/**
 * The stand-in some time later: the display follows the pan, trembles while it moves, and creeps under a load.
 *
 * @param elapsedMs time that has passed, from 0
 * @param tremble chance for the hand's tremble, −1 to 1
 */
export function passTime(state: ScaleState, elapsedMs: number, tremble: number, manner = usualScale): ScaleState {
  const share = 1 - Math.exp(-elapsedMs / manner.followMs)
  const creepG = (state.loadG * manner.creepPerHour * elapsedMs) / 3_600_000
  const gapG = state.loadG - state.sensedG
  const isStill = Math.abs(gapG) < manner.stepG * stillShare
  // The creep moves the load that is felt, so that a tare long ago no longer shows zero.
  const sensedG = state.sensedG + gapG * share + (isStill ? 0 : tremble * manner.stepG)
  return { ...state, loadG: state.loadG + creepG, sensedG, stillMs: isStill ? state.stillMs + elapsedMs : 0 }
}

/** What the display shows. */
export function readScale(state: ScaleState, manner = usualScale): ScaleReading {
  if (state.sensedG > manner.capacityG) return { kind: 'over' }
  return {
    kind: 'mass',
    massG: roundToScale(state.sensedG - state.tareG, manner.stepG),
    isSettled: state.stillMs >= settleMs,
    isTared: state.isTared,
  }
}
