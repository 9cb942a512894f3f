import type { Command, RoomReading } from './lines'
import { roundTo } from '../units'

/** The stand-in for a sensor in the cure room, at one moment. */
export interface RoomState {
  readonly temperatureC: number
  /** Relative, 0 to 1. */
  readonly humidity: number
  /** For how long it has measured, ms. */
  readonly elapsedMs: number
}

export const quietRoom: RoomState = { temperatureC: 20.5, humidity: 0.54, elapsedMs: 0 }

/** How a room's air goes up and down in a day, and how fast the stand-in's day passes. Estimates. */
const swing = { temperatureC: 0.8, humidity: 0.03, dayMs: 120_000 } as const

/** Other air is let in. */
export function commandRoom(state: RoomState, command: Command): RoomState {
  return command.kind === 'air' ? { ...state, temperatureC: command.temperatureC, humidity: command.humidity } : state
}

/** Time passes: the air of the room swings with its day. @param elapsedMs 0 or more */
export function passRoomTime(state: RoomState, elapsedMs: number): RoomState {
  return { ...state, elapsedMs: state.elapsedMs + elapsedMs }
}

/** What the sensor shows: to a tenth of a degree and a percent. */
export function readRoom({ temperatureC, humidity, elapsedMs }: RoomState): RoomReading {
  const wave = Math.sin((2 * Math.PI * elapsedMs) / swing.dayMs)
  return {
    kind: 'room',
    temperatureC: roundTo(temperatureC + swing.temperatureC * wave, 1),
    humidity: roundTo(Math.min(1, Math.max(0, humidity - swing.humidity * wave)), 2),
  }
}
