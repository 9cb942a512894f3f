import { isTimeZone } from '@vendange/core/calendar'
import { colourantRateRange, scentRateRange, shareTolerance } from '@vendange/core/recipe'
import { formatQuantity } from '@vendange/core/units'
import type { InferType } from 'yup'
import { array, boolean, object, string } from 'yup'
import { dayText, freeText, hexText, idText, nameText, versionNumber, wholeWithin, within } from './pieces'
import { mouldCountRange } from './mould'

export const barsRange = { min: 1, max: 5000 } as const
export const labelMassRange = { min: 5, max: 2000 } as const
const shareRange = { min: 0.005, max: 1 } as const
const limitRange = { min: 0, max: 1 } as const

export const releaseLocalPattern = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/

/** A collection: soaps that are released together at one moment. */
export const collectionSchema = object({
  name: nameText(),
  theme: freeText(),
  palette: array(object({ name: nameText(), hex: hexText() }).noUnknown().required())
    .max(24)
    .required(),
  /** Wall time in `releaseZone`. */
  releaseLocal: string()
    .matches(releaseLocalPattern, 'Write the moment like 2027-04-10T19:00.')
    .test(
      'moment',
      'There is no such day or time.',
      (value) => value === undefined || !Number.isNaN(Date.parse(`${value}Z`)),
    )
    .required('Choose a day and a time.'),
  releaseZone: string()
    .test('zone', 'Choose a time zone such as Europe/Lisbon.', (value) => value === undefined || isTimeZone(value))
    .required(),
})
  .noUnknown()
  .required()

export const savedCollectionSchema = collectionSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

const scentSchema = object({
  name: nameText(),
  rate: within('share', scentRateRange).required(),
  supplierLimit: within('share', limitRange).nullable().defined(),
})
  .noUnknown()
  .nullable()
  .defined()

const colourSchema = object({
  name: nameText(),
  hex: hexText(),
  share: within('share', shareRange).required(),
  rateGPerKg: within('number', colourantRateRange).required(),
})
  .noUnknown()
  .required()

/** One soap of a collection. */
export const designSchema = object({
  collectionId: idText(),
  name: nameText(),
  technique: freeText(200),
  scent: scentSchema,
  /** Bottom first. */
  colours: array(colourSchema)
    .max(12)
    .required()
    .test('shares', (colours, context) => {
      if (!colours || colours.length === 0) return true
      const total = colours.reduce((sum, colour) => sum + (typeof colour?.share === 'number' ? colour.share : 0), 0)
      if (Math.abs(total - 1) <= shareTolerance) return true
      return context.createError({
        message: `The pots add up to ${formatQuantity('share', total)} of the batter; they must make 100 %.`,
      })
    }),
  recipeId: string().max(64).nullable().defined(),
  mouldId: string().max(64).nullable().defined(),
  mouldCount: wholeWithin('count', mouldCountRange).required(),
  barsWanted: wholeWithin('count', barsRange).required(),
  labelMassG: within('mass', labelMassRange).required(),
})
  .noUnknown()
  .required()

export const savedDesignSchema = designSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

/** A pour on a day. */
export const batchSchema = object({ designId: idText(), pourDay: dayText() }).noUnknown().required()
export const batchMoveSchema = object({ pourDay: dayText(), version: versionNumber() }).noUnknown().required()

export type NewCollection = InferType<typeof collectionSchema>
export type SavedCollection = InferType<typeof savedCollectionSchema>
export type NewDesign = InferType<typeof designSchema>
export type SavedDesign = InferType<typeof savedDesignSchema>
export type NewBatch = InferType<typeof batchSchema>
