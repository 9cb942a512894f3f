import { barThicknessRange } from '@vendange/core/mould'
import { colourantRateRange, scentRateRange } from '@vendange/core/recipe'
import type { InferType } from 'yup'
import { array, boolean, object, string } from 'yup'
import { said } from '../said'
import { mouldCountRange } from './mould'
import { dayText, freeText, hexText, idText, nameText, optionalDay, versionNumber, wholeWithin, within } from './pieces'
import { barsRange, labelMassRange } from './plan'
import { centsRange, priceRange } from './workshop'

export const orderStates = ['asked', 'quoted', 'accepted', 'delivered', 'declined'] as const
export const leadDaysRange = { min: 0, max: 200 } as const

/** A client's wish: so many bars by a day, with their scent, colours, stamp, bevel and packing. */
export const orderSchema = object({
  client: nameText(),
  contact: freeText(400),
  bars: wholeWithin('count', barsRange).required(),
  labelMassG: within('mass', labelMassRange).required(),
  dueDay: dayText(),
  recipeId: string().max(64).nullable().defined(),
  scent: object({ name: nameText(), rate: within('share', scentRateRange).required() })
    .noUnknown()
    .nullable()
    .defined(),
  /** Colours to match, largest first. */
  colours: array(
    object({ name: nameText(), hex: hexText(), rateGPerKg: within('rate', colourantRateRange).required() })
      .noUnknown()
      .required(),
  )
    .max(12)
    .required(),
  /** Days until the client's stamp is there, counted from the acceptance; null when it carries none. */
  stampLeadDays: wholeWithin('days', leadDaysRange).nullable().defined(),
  bevelled: boolean().required(),
  packing: freeText(200),
  notes: freeText(),
  state: string().oneOf(orderStates).required(),
  depositCents: wholeWithin('count', centsRange).required(),
  /** First pour day while the stamp is made, set at the acceptance. */
  earliestDay: optionalDay(),
  /** The collection that the accepted order became. */
  collectionId: string().max(64).nullable().defined(),
  priceCents: wholeWithin('money', priceRange).nullable().defined(),
  /** Charged beside the quoted price, as it came about. */
  charges: array(
    object({
      day: dayText(),
      what: string().trim().required(said('charge_unnamed')).max(200),
      cents: wholeWithin('count', centsRange).required(),
    })
      .noUnknown()
      .required(),
  )
    .max(100)
    .required(),
})
  .noUnknown()
  .required()

export const savedOrderSchema = orderSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

/** The option that the client said yes to, with the days it was promised on. */
export const orderAcceptedSchema = object({
  version: versionNumber(),
  priceCents: wholeWithin('money', priceRange).required(),
  batches: array(
    object({
      mouldId: idText(),
      mouldCount: wholeWithin('count', mouldCountRange).required(),
      barsWanted: wholeWithin('count', barsRange).required(),
      barThicknessMm: within('length', barThicknessRange).required(),
      pourDay: dayText(),
      cutDay: dayText(),
    })
      .noUnknown()
      .required(),
  )
    .min(1)
    .max(60)
    .required(),
})
  .noUnknown()
  .required()

export type NewOrder = InferType<typeof orderSchema>
export type SavedOrder = InferType<typeof savedOrderSchema>
export type OrderAccepted = InferType<typeof orderAcceptedSchema>
