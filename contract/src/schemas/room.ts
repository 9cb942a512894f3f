import type { InferType } from 'yup'
import { object } from 'yup'
import { within } from './pieces'

export const roomTemperatureRange = { min: -10, max: 60 } as const
const humidityRange = { min: 0, max: 1 } as const

/** The air of the cure room; its humidity is relative, 0 to 1. */
export const roomReadingSchema = object({
  temperatureC: within('temperature', roomTemperatureRange).required(),
  humidity: within('share', humidityRange).required(),
})
  .noUnknown()
  .required()

export type RoomReading = InferType<typeof roomReadingSchema>
