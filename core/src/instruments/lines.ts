import { roundTo } from '../units'
/** What a scale shows. `over`: more lies on it than it can weigh. */
export type ScaleReading =
  | { readonly kind: 'mass'; readonly massG: number; readonly isSettled: boolean; readonly isTared: boolean }
  | { readonly kind: 'over' }

/** What a probe shows. `off`: it hangs in the air, or its cable is out. */
export type ProbeReading =
  | { readonly kind: 'temperature'; readonly temperatureC: number; readonly isSettled: boolean }
  | { readonly kind: 'off' }

/** What the sensor of the cure room shows; its humidity is relative, 0 to 1. */
export interface RoomReading {
  readonly kind: 'room'
  readonly temperatureC: number
  readonly humidity: number
}

export type Reading = ScaleReading | ProbeReading | RoomReading

/** What a hand does at the stand-in: to the pan of the scale, or with the tip of the probe. */
export type Command =
  | { readonly kind: 'tare' | 'empty' | 'lift' }
  | { readonly kind: 'put'; readonly massG: number }
  | { readonly kind: 'dip'; readonly temperatureC: number }
  | { readonly kind: 'air'; readonly temperatureC: number; readonly humidity: number }

const figure = (value: number): string => (Object.is(value, -0) ? '0' : String(value))

/** A reading as one line of the stream, without its line end. @example 'mass 350.5 g settled tared' */
export function writeReading(reading: Reading): string {
  if (reading.kind === 'over' || reading.kind === 'off') return reading.kind
  if (reading.kind === 'room')
    return `room ${figure(reading.temperatureC)} C ${figure(roundTo(reading.humidity * 100, 1))} %`
  const state = reading.isSettled ? 'settled' : 'moving'
  return reading.kind === 'mass'
    ? `mass ${figure(reading.massG)} g ${state}${reading.isTared ? ' tared' : ''}`
    : `temperature ${figure(reading.temperatureC)} C ${state}`
}

const number = String.raw`-?\d{1,7}(?:\.\d{1,3})?`
const massLine = new RegExp(`^mass (${number}) g (settled|moving)( tared)?$`)
const temperatureLine = new RegExp(`^temperature (${number}) C (settled|moving)$`)

const roomLine = new RegExp(`^room (${number}) C (${number}) %$`)

/** Reads a line of the stream; undefined for a torn or foreign line, which is passed over. */
export function parseReading(line: string): Reading | undefined {
  const text = line.trim()
  if (text === 'over' || text === 'off') return { kind: text }
  const room = roomLine.exec(text)
  if (room) return { kind: 'room', temperatureC: Number(room[1]), humidity: Number(room[2]) / 100 }
  const mass = massLine.exec(text)
  if (mass)
    return { kind: 'mass', massG: Number(mass[1]), isSettled: mass[2] === 'settled', isTared: mass[3] !== undefined }
  const temperature = temperatureLine.exec(text)
  return temperature
    ? { kind: 'temperature', temperatureC: Number(temperature[1]), isSettled: temperature[2] === 'settled' }
    : undefined
}

const putLine = new RegExp(`^put (${number}) g$`)
const airLine = new RegExp(`^air (${number}) C (${number}) %$`)
const dipLine = new RegExp(`^dip (${number}) C$`)

/** Reads a command line; undefined for one that is not understood. */
export function parseCommand(line: string): Command | undefined {
  const text = line.trim()
  if (text === 'tare' || text === 'empty' || text === 'lift') return { kind: text }
  const put = putLine.exec(text)
  if (put) return { kind: 'put', massG: Number(put[1]) }
  const air = airLine.exec(text)
  if (air) return { kind: 'air', temperatureC: Number(air[1]), humidity: Number(air[2]) / 100 }
  const dip = dipLine.exec(text)
  return dip ? { kind: 'dip', temperatureC: Number(dip[1]) } : undefined
}
