import { barThicknessRange } from '@vendange/core/mould'
import { quoteLineKinds } from '@vendange/core/plan'
import { barsOfBoxes } from '@vendange/core/release'
import { colourantRateRange, scentRateRange } from '@vendange/core/recipe'
import type { InferType } from 'yup'
import { array, boolean, object, string } from 'yup'
import { said } from '../said'
import { monthlyBarsRange, mostCustomers } from './customer'
import { mouldCountRange } from './mould'
import {
  dayText,
  freeText,
  hexText,
  idText,
  nameText,
  optionalDay,
  optionalId,
  text,
  versionNumber,
  wholeWithin,
  within,
} from './pieces'
import { barsRange, labelMassRange } from './plan'
import { centsRange, priceRange } from './workshop'

/** Who gets how many bars of an order that is for several, such as a month's boxes. */
const recipients = () =>
  array(
    object({
      who: nameText(),
      address: freeText(400),
      wish: freeText(200),
      bars: wholeWithin('count', monthlyBarsRange).required(),
    })
      .noUnknown()
      .required(),
  )
    .max(mostCustomers)
    .required()
    .test('within-bars', function (list) {
      const { bars } = this.parent as { readonly bars?: unknown }
      const all = barsOfBoxes(
        (list ?? []).map((one) => ({ bars: Number((one as Partial<typeof one> | null)?.bars) || 0 })),
      )
      return (
        typeof bars !== 'number' || all <= bars || this.createError({ message: said('more_in_boxes', { all, bars }) })
      )
    })

export const orderStates = ['asked', 'quoted', 'accepted', 'delivered', 'declined'] as const
export const leadDaysRange = { min: 0, max: 200 } as const

/** What a client sees of a price, line by line. */
const quoteLines = () =>
  array(
    object({ of: string().oneOf(quoteLineKinds).required(), cents: wholeWithin('money', priceRange).required() })
      .noUnknown()
      .required(),
  )
    .min(1)
    .max(quoteLineKinds.length)
    .required()

/** What a client is offered for the price. */
const offered = () => ({
  bars: wholeWithin('count', barsRange).required(),
  labelMassG: within('mass', labelMassRange).required(),
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
  bevelled: boolean().required(),
  packing: freeText(200),
})

const quotedSchema = object({
  /** As the order stood when it was quoted. */
  offer: object({ ...offered(), stamped: boolean().required() })
    .noUnknown()
    .required(),
  day: dayText(),
  validUntilDay: dayText(),
  readyDay: dayText(),
  priceCents: wholeWithin('money', priceRange).required(),
  lines: quoteLines(),
})
  .noUnknown()
  .required()

/** A client's wish: so many bars by a day, with their scent, colours, stamp, bevel and packing. */
export const orderSchema = object({
  client: nameText(),
  contact: freeText(400),
  ...offered(),
  dueDay: dayText(),
  recipeId: optionalId(),
  /** Days until the client's stamp is there, counted from the acceptance; null when it carries none. */
  stampLeadDays: wholeWithin('days', leadDaysRange).nullable().defined(),
  notes: freeText(),
  state: string().oneOf(orderStates).required(),
  depositCents: wholeWithin('count', centsRange).required(),
  /** First pour day while the stamp is made, set at the acceptance. */
  earliestDay: optionalDay(),
  /** The collection that the accepted order became. */
  collectionId: optionalId(),
  priceCents: wholeWithin('money', priceRange).nullable().defined(),
  /** The day that the client was promised it for, set at the acceptance; another may be agreed on. */
  promisedDay: optionalDay(),
  /** Empty where all bars are the client's. */
  recipients: recipients(),
  /** The days on which it was packed, went off and was paid in full. */
  packedDay: optionalDay(),
  sentDay: optionalDay(),
  paidDay: optionalDay(),
  /** The quote that the client has on paper. */
  quoted: quotedSchema.nullable().defined(),
  /** Charged beside the quoted price, as it came about. */
  charges: array(
    object({
      day: dayText(),
      what: text().trim().required(said('charge_unnamed')).max(200),
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

/** A way to make an order, put on paper for the client. */
export const orderQuotedSchema = object({
  version: versionNumber(),
  priceCents: wholeWithin('money', priceRange).required(),
  readyDay: dayText(),
  lines: quoteLines(),
})
  .noUnknown()
  .required()

/** The option that the client said yes to, with the days it was promised on. */
export const orderAcceptedSchema = object({
  version: versionNumber(),
  /** Null: its price is still open. */
  priceCents: wholeWithin('money', priceRange).nullable().defined(),
  /** The day that the client is promised it for. */
  promisedDay: dayText(),
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
export type QuoteOffer = Quoted['offer']
export type Quoted = InferType<typeof quotedSchema>
export type OrderQuoted = InferType<typeof orderQuotedSchema>
export type OrderAccepted = InferType<typeof orderAcceptedSchema>

/** What an order offers its client as it stands. */
export const offerOf = (order: NewOrder): QuoteOffer => {
  const { bars, labelMassG, scent, colours, bevelled, packing, stampLeadDays } = order
  return { bars, labelMassG, scent, colours, bevelled, packing, stamped: stampLeadDays !== null }
}
