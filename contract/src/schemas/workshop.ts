import { isTimeZone } from '@vendange/core/calendar'
import { toolKinds } from '@vendange/core/cutting'
import { labelStyles } from '@vendange/core/release'
import { cureLossRange, lyeRoundings, potLossRange } from '@vendange/core/recipe'
import { scaleResolutionRange } from '@vendange/core/units'
import type { InferType } from 'yup'
import { array, boolean, object, string } from 'yup'
import { said } from '../said'
import { claimKey, dayText, freeText, idText, nameText, text, versionNumber, wholeWithin, within } from './pieces'

export const currencyPattern = /^[A-Z]{3}$/
export const massUnits = ['g', 'oz'] as const
export const lengthUnits = ['mm', 'in'] as const
/** How inches are told: as a rule shows them, or in steps of 0.05. */
export const inchStyles = ['sixteenths', 'decimals'] as const
export const temperatureUnits = ['°C', '°F'] as const
export const hoursOfDayRange = { min: 0, max: 24 } as const
export const soapingTemperatureRange = { min: 15, max: 60 } as const

export const vesselRange = { min: 0, max: 200_000 } as const
export const minuteOfDayRange = { min: 0, max: 1439 } as const
export const trayRange = { min: 0, max: 500 } as const
export const barsPerTrayRange = { min: 1, max: 500 } as const
export const ovenSlotRange = { min: 0, max: 50 } as const
export const prepAheadRange = { min: 1, max: 14 } as const
export const bufferDaysRange = { min: 0, max: 60 } as const
export const centsRange = { min: 0, max: 10_000_000 } as const
/** Price of a whole order, cents. */
export const priceRange = { min: 0, max: 1_000_000_000 } as const
export const taxShareRange = { min: 0, max: 0.5 } as const
export const marginShareRange = { min: 0, max: 3 } as const
export const depositShareRange = { min: 0, max: 1 } as const
export const quoteValidRange = { min: 1, max: 365 } as const
/** Of the public price. */
export const priceShareRange = { min: 0, max: 1 } as const
export const breakageRange = { min: 0, max: 0.5 } as const
export const ownFactorRange = { min: 0.05, max: 5 } as const
export const toolSpacingRange = { min: 0, max: 400 } as const
export const piecesAPassRange = { min: 1, max: 60 } as const
export const minutesPerBarRange = { min: 0, max: 60 } as const

const cents = () => wholeWithin('count', centsRange).required()

/** What a quote reckons with. All of it is the maker’s own estimate. */
export const pricingSchema = object({
  hourCents: cents(),
  /** Rent, power, tools and what else all soaps share, for each hour of work. */
  sharedHourCents: cents(),
  packingCentsPerBar: cents(),
  bevelCentsPerBar: cents(),
  stampCents: cents(),
  breakageShare: within('share', breakageRange).required(),
  bevelMinutesPerBar: within('number', minutesPerBarRange).required(),
  stampMinutesPerBar: within('number', minutesPerBarRange).required(),
  /** What a bar usually costs in public: on the web and at the stalls. */
  barCents: cents(),
  /** Of it shops pay, and subscribers. */
  shopShare: within('share', priceShareRange).required(),
  subscriberShare: within('share', priceShareRange).required(),
})
  .noUnknown()
  .required()

/** What stands on a quote beside its price. */
export const quotingSchema = object({
  /** Telephone and the like, under the address. */
  contact: freeText(200),
  /** "VAT"; empty: none is charged. */
  taxName: text().trim().max(40).defined(),
  taxShare: within('share', taxShareRange).required(),
  /** Whether prices are told with the tax in them; else it is put on top. */
  isTaxIncluded: boolean().required(),
  /** Put on top of what an order costs, hours included. */
  marginShare: within('share', marginShareRange).required(),
  /** Asked for when an order is accepted, of the whole. */
  depositShare: within('share', depositShareRange).required(),
  validDays: wholeWithin('days', quoteValidRange).required(),
  terms: freeText(2000),
})
  .noUnknown()
  .required()

const hours = () => within('hours', hoursOfDayRange).required()

const daysThatDiffer = () =>
  array(
    object({ day: dayText(), hours: hours(), reason: text().max(80).optional() })
      .noUnknown()
      .required(),
  )
    .max(1000)
    .required()

/** What a maker says of the workshop. */
export const workshopSchema = object({
  name: nameText(),
  massUnit: string().oneOf(massUnits).required(),
  lengthUnit: string().oneOf(lengthUnits).required(),
  inchStyle: string().oneOf(inchStyles).required(),
  temperatureUnit: string().oneOf(temperatureUnits).required(),
  currency: string()
    .matches(currencyPattern, { message: said('currency_unread') })
    .required(),
  timeZone: string()
    .test('zone', said('zone_missing'), (value) => value === undefined || isTimeZone(value))
    .required(),
  /** Minutes from midnight at which the work of a weekday begins, Monday to Sunday. */
  weekStartMin: array(wholeWithin('number', minuteOfDayRange).required()).length(7, said('seven_days')).required(),
  /** Days that differ for everyone who works here. */
  exceptions: daysThatDiffer(),
  setupHours: hours(),
  prepHours: hours(),
  pourHours: hours(),
  cutHours: hours(),
  /** Claims besides those that everybody knows, with the ingredients that break them, by name. */
  ownClaims: array(
    object({
      key: claimKey(),
      name: nameText(),
      without: array(nameText()).max(200).required(),
    })
      .noUnknown()
      .required(),
  )
    .max(30)
    .required(),
  /** By how much something multiplies the working time here, where the workshop knows better than the model. */
  ownFactors: array(
    object({ key: text().max(80).required(), times: within('number', ownFactorRange).required() })
      .noUnknown()
      .required(),
  )
    .max(60)
    .required(),
  racks: array(
    object({ name: nameText(), trays: wholeWithin('count', trayRange).required() })
      .noUnknown()
      .required(),
  )
    .max(40)
    .required(),
  /** What blocks are cut with. */
  cutTools: array(
    object({
      name: nameText(),
      kind: string().oneOf(toolKinds).required(),
      spacingMm: within('length', toolSpacingRange).required(),
      piecesAPass: wholeWithin('count', piecesAPassRange).required(),
    })
      .noUnknown()
      .required(),
  )
    .max(20)
    .required(),
  makerAddress: freeText(400),
  labelStyle: string().oneOf(labelStyles).required(),
  barsPerTray: wholeWithin('count', barsPerTrayRange).required(),
  /** Moulds that the oven holds in one night. */
  ovenSlots: wholeWithin('count', ovenSlotRange).required(),
  /** Wished days between the end of a cure and the day it is needed. */
  bufferDays: wholeWithin('days', bufferDaysRange).required(),
  /** How many days before its pour a batch may be prepared at the most. */
  prepAheadDays: wholeWithin('days', prepAheadRange).required(),
  pricing: pricingSchema,
  quoting: quotingSchema,
  /** What the largest pot and the lye jug hold with room to stir, ml; 0: not known. */
  largestPotMl: within('volume', vesselRange).required(),
  lyeJugMl: within('volume', vesselRange).required(),
  scaleResolutionG: within('mass', scaleResolutionRange).required(),
  /** Down keeps the superfat at the recipe's at the least. */
  lyeRounding: string().oneOf(lyeRoundings).required(),
  potLoss: within('share', potLossRange).required(),
  cureLoss: within('share', cureLossRange).required(),
  soapingTemperatureC: within('temperature', soapingTemperatureRange).required(),
})
  .noUnknown()
  .required()

export const savedWorkshopSchema = workshopSchema.shape({ version: versionNumber() })

export const makerSchema = object({
  name: nameText(),
  /** Monday to Sunday. */
  weekHours: array(hours()).length(7, said('seven_days')).required(),
  /** Days on which this maker has other hours: another job, leave. */
  exceptions: daysThatDiffer(),
})
  .noUnknown()
  .required()
export const savedMakerSchema = makerSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

export type WorkshopDetails = InferType<typeof workshopSchema>
export type SavedWorkshop = InferType<typeof savedWorkshopSchema>
export type NewMaker = InferType<typeof makerSchema>
export type SavedMaker = InferType<typeof savedMakerSchema>
