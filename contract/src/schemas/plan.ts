import { portionKinds, potSharesFault } from '@vendange/core/batch'
import {
  colourantRateRange,
  scentBehaviours,
  scentRateRange,
  shareTolerance,
  wettings,
  wettingRatioRange,
} from '@vendange/core/recipe'
import { quantity } from '@vendange/core/findings'
import { barThicknessRange, mouldSideRange } from '@vendange/core/mould'
import { sumOfShares } from '@vendange/core/recipe'
import { mostMoves } from '@vendange/core/pour'
import type { InferType } from 'yup'
import { array, boolean, object, string } from 'yup'
import { contentKeys } from '@vendange/core/fats'
import { said } from '../said'
import { scrapPieces } from './scrapPieces'
import {
  areNumbers,
  dayText,
  freeText,
  hexText,
  idText,
  nameText,
  optionalDay,
  optionalHex,
  optionalId,
  text,
  versionNumber,
  wholeWithin,
  within,
} from './pieces'
import { channelBarsRange, channelNames } from './collection'
import { mouldCountRange } from './mould'
import { priceRange } from './workshop'
import { faceSchema, moveSchema } from './pour'

export const barsRange = { min: 1, max: 5000 } as const
export const labelMassRange = { min: 5, max: 2000 } as const
export const limitRange = { min: 0, max: 1 } as const
/** A pot's share; one that is stated otherwise may come to almost nothing. */
export const potShareRange = { min: 0, max: 1 } as const
/** Of a pot stated by mass or volume, g or ml. */
export const potAmountRange = { min: 0, max: 50_000 } as const
/** Scent that a gram of a pot gets where the others get 1. */
export const scentPartRange = { min: 0, max: 5 } as const
const saleDaysRange = { min: 1, max: 400 } as const
export const blendShareRange = { min: 0.001, max: 1 } as const

/** What its certificate says it contains that a promise may forbid. */
const containsField = () => array(string().oneOf(contentKeys).required()).max(contentKeys.length).optional()

const scentSchema = object({
  name: nameText(),
  rate: within('share', scentRateRange).required(),
  supplierLimit: within('share', limitRange).nullable().defined(),
  /** What it smells of, in a word: citrus, wood, clean. */
  family: text().max(40).optional(),
  contains: containsField(),
  /** Share of vanillin in it, from its certificate: it turns soap brown. */
  vanillin: within('share', limitRange).optional(),
  /** Allergens to be named on a label, each with its share of the scent, from its certificate. */
  allergens: array(
    object({ name: nameText(), share: within('share', limitRange).required() })
      .noUnknown()
      .required(),
  )
    .max(80)
    .optional(),
  /** What it does to batter, as far as it was seen here. */
  behaviour: string().oneOf(scentBehaviours).optional(),
  /** What the maker blends it of; each keeps its own supplier's limit. */
  parts: array(
    object({
      name: nameText(),
      share: within('share', blendShareRange).required(),
      supplierLimit: within('share', limitRange).nullable().defined(),
      behaviour: string().oneOf(scentBehaviours).optional(),
    })
      .noUnknown()
      .required(),
  )
    .max(12)
    .optional()
    .test('whole', function (parts) {
      if (!parts?.every((part) => areNumbers(part, ['share'])) || parts.length === 0) return true
      const total = sumOfShares(parts)
      if (Math.abs(total - 1) <= shareTolerance) return true
      return this.createError({ message: said('blend_off', { total: quantity.share(total) }) })
    }),
})
  .noUnknown()
  .nullable()
  .defined()

const colourSchema = object({
  name: nameText(),
  hex: hexText(),
  share: within('share', potShareRange).required(),
  rateGPerKg: within('rate', colourantRateRange).required(),
  contains: containsField(),
  portion: string().oneOf(portionKinds).optional(),
  amount: within('number', potAmountRange).optional(),
  wetting: object({
    with: string().oneOf(wettings).required(),
    ratio: within('number', wettingRatioRange).required(),
  })
    .noUnknown()
    .nullable()
    .optional()
    .default(undefined),
  scentPart: within('number', scentPartRange).optional(),
  /** As it looks in wet batter, and a day on; null where nobody has looked yet. */
  wetHex: optionalHex(),
  dayHex: optionalHex(),
  fades: boolean().optional(),
  bleeds: boolean().optional(),
})
  .noUnknown()
  .required()

/** ml of batter. */
export const batterMlRange = { min: 0, max: 50_000 } as const

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
    .test('shares', function (colours) {
      if (!colours?.every((colour) => areNumbers(colour, ['share']))) return true
      const fault = potSharesFault(colours)
      return fault === undefined || this.createError({ message: { ...fault } })
    }),
  /** The moves of the pour, in their order; empty while it is not designed. */
  pourPlan: array(moveSchema)
    .max(mostMoves, said('too_many_moves', { most: mostMoves }))
    .required(),
  /** The face that stands for the soap; null for that of the middle bar. */
  face: faceSchema,
  /** Colour of the batter left plain, when cured. Null: that of pale fats. */
  batterHex: optionalHex(),
  recipeId: optionalId(),
  mouldId: optionalId(),
  mouldCount: wholeWithin('count', mouldCountRange).required(),
  /** Moulds of other kinds that are filled from the same batch. */
  moreMoulds: array(
    object({ mouldId: idText(), count: wholeWithin('count', mouldCountRange).required() })
      .noUnknown()
      .required(),
  )
    .max(8)
    .required(),
  /** Taken up by embeds, a column or dividers in all moulds together, ml. */
  displacedMl: within('volume', batterMlRange).required(),
  /** Pieces of earlier soap in all moulds together, out of the scrap bin. */
  pieces: scrapPieces(),
  /** Kept back for piping or the top, above the fill line, ml. */
  topMl: within('volume', batterMlRange).required(),
  barsWanted: wholeWithin('count', barsRange).required(),
  labelMassG: within('mass', labelMassRange).required(),
  bevelled: boolean().required(),
  stamped: boolean().required(),
  /** What a bar costs in public; null: as the workshop's bars usually do. */
  barCents: wholeWithin('money', priceRange).nullable().defined().default(null),
  /** First day it may be poured: what it needs is there by then. Null: any day. */
  earliestDay: optionalDay(),
  /** What the maker wants to remember when it is made again, one thing a line. */
  notesForNextTime: freeText(),
  /** The soap it was brought back from. */
  broughtFromId: optionalId(),
  lessons: array(
    object({
      text: text().max(2000).required(),
      standing: string()
        .oneOf(['open', 'taken_up', 'left'] as const)
        .required(),
    })
      .noUnknown()
      .required(),
  )
    .max(100)
    .required(),
  /** How it sold after its release, by channel. */
  results: array(
    object({
      channel: string().oneOf(channelNames).required(),
      offered: wholeWithin('count', channelBarsRange).required(),
      sold: wholeWithin('count', channelBarsRange).required(),
      days: wholeWithin('days', saleDaysRange).required(),
    })
      .noUnknown()
      .required()
      .test('not-more-than-offered', function (result) {
        return (
          !areNumbers(result, ['sold', 'offered']) ||
          result.sold <= result.offered ||
          this.createError({
            path: `${this.path}.sold`,
            message: said('more_sold_than_offered', { offered: result.offered }),
          })
        )
      }),
  )
    .max(12)
    .required(),
})
  .noUnknown()
  .required()

export const savedDesignSchema = designSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

/** A pour on a day. Without a cut day, the first one with hours in its setting time is taken. */
export const batchSchema = object({
  designId: idText(),
  pourDay: dayText(),
  /** Null or left out: the first day with hours in its setting time. */
  cutDay: optionalDay().optional(),
})
  .noUnknown()
  .required()
/** What one pour makes of a soap that is poured in several. */
export const pourPartSchema = object({
  mouldId: idText(),
  mouldCount: wholeWithin('count', mouldCountRange).required(),
  barsWanted: wholeWithin('count', barsRange).required(),
  barThicknessMm: within('length', barThicknessRange).required(),
  fillHeightMm: within('length', mouldSideRange).optional(),
})
  .noUnknown()
  .required()
/** All the planned pours of a soap at once, in the place of those that it has. */
export const soapPoursSchema = object({
  designId: idText(),
  /** The planned pours that these replace, as the page saw them. */
  replaced: array(object({ id: idText(), version: versionNumber() }).noUnknown().required())
    .max(200)
    .required(),
  pours: array(
    object({
      pourDay: dayText(),
      /** Null: the first day with hours in its setting time. */
      cutDay: optionalDay(),
      isPinned: boolean().required(),
      /** Null: all of the soap at once. */
      part: pourPartSchema.nullable().defined(),
    })
      .noUnknown()
      .required(),
  )
    .max(60)
    .required(),
})
  .noUnknown()
  .required()
export const batchMoveSchema = object({
  pourDay: dayText(),
  /** Null: the first day with hours in its setting time. */
  cutDay: optionalDay(),
  version: versionNumber(),
})
  .noUnknown()
  .required()
export const batchPinSchema = object({ isPinned: boolean().required(), version: versionNumber() })
  .noUnknown()
  .required()

/** A whole plan taken at once: batches moved, and soaps put on the calendar. */
export const acceptedPlanSchema = object({
  moves: array(
    object({ batchId: idText(), pourDay: dayText(), cutDay: dayText(), version: versionNumber() })
      .noUnknown()
      .required(),
  )
    .max(1000)
    .required(),
  pours: array(object({ designId: idText(), pourDay: dayText(), cutDay: dayText() }).noUnknown().required())
    .max(1000)
    .required(),
})
  .noUnknown()
  .required()

export const dayTickSchema = object({
  day: dayText(),
  taskKey: text().max(120).required(),
  isDone: boolean().required(),
})
  .noUnknown()
  .required()

export type AcceptedPlan = InferType<typeof acceptedPlanSchema>
export type NewDayTick = InferType<typeof dayTickSchema>

export type NewDesign = InferType<typeof designSchema>
export type SavedDesign = InferType<typeof savedDesignSchema>
export type NewBatch = InferType<typeof batchSchema>
export type SoapPours = InferType<typeof soapPoursSchema>
export type BatchMove = InferType<typeof batchMoveSchema>
export type BatchPin = InferType<typeof batchPinSchema>
