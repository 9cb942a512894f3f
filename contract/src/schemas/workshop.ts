import { isTimeZone } from '@vendange/core/calendar'
import { cureLossRange, potLossRange } from '@vendange/core/recipe'
import { scaleResolutionRange } from '@vendange/core/units'
import type { InferType } from 'yup'
import { array, boolean, object, string } from 'yup'
import { dayText, idText, nameText, versionNumber, within } from './pieces'

export const massUnits = ['g', 'oz'] as const
export const lengthUnits = ['mm', 'in'] as const
export const temperatureUnits = ['°C', '°F'] as const
export const hoursOfDayRange = { min: 0, max: 24 } as const
export const soapingTemperatureRange = { min: 15, max: 60 } as const

const hours = () => within('hours', hoursOfDayRange).required()

/** What a maker says of the workshop. */
export const workshopSchema = object({
  name: nameText(),
  massUnit: string().oneOf(massUnits).required(),
  lengthUnit: string().oneOf(lengthUnits).required(),
  temperatureUnit: string().oneOf(temperatureUnits).required(),
  currency: string()
    .matches(/^[A-Z]{3}$/, 'Write a currency as three letters, such as EUR.')
    .required(),
  timeZone: string()
    .test('zone', 'Choose a time zone such as Europe/Lisbon.', (value) => value === undefined || isTimeZone(value))
    .required(),
  /** Monday to Sunday. */
  weekHours: array(hours()).length(7, 'Seven days, Monday to Sunday.').required(),
  exceptions: array(object({ day: dayText(), hours: hours() }).noUnknown().required())
    .max(400)
    .required(),
  setupHours: hours(),
  prepHours: hours(),
  pourHours: hours(),
  cutHours: hours(),
  scaleResolutionG: within('mass', scaleResolutionRange).required(),
  potLoss: within('share', potLossRange).required(),
  cureLoss: within('share', cureLossRange).required(),
  soapingTemperatureC: within('temperature', soapingTemperatureRange).required(),
})
  .noUnknown()
  .required()

export const savedWorkshopSchema = workshopSchema.shape({ version: versionNumber() })

export const makerSchema = object({ name: nameText() }).noUnknown().required()
export const savedMakerSchema = makerSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

export type WorkshopDetails = InferType<typeof workshopSchema>
export type SavedWorkshop = InferType<typeof savedWorkshopSchema>
export type NewMaker = InferType<typeof makerSchema>
export type SavedMaker = InferType<typeof savedMakerSchema>
