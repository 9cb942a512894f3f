import type { InferType } from 'yup'
import { array, boolean, object, string } from 'yup'
import { said } from '../said'
import { freeText, idText, nameText, text, versionNumber, wholeWithin } from './pieces'
import { centsRange } from './workshop'

export const customerKinds = ['subscriber', 'shop'] as const
/** Bars that somebody is sent a month. */
export const monthlyBarsRange = { min: 1, max: 200 } as const
export const mostCustomers = 2000

/** Who gets bars again and again: a subscriber a box a month, a shop bars to sell on. */
export const customerSchema = object({
  kind: string().oneOf(customerKinds).required(),
  name: nameText(),
  contact: freeText(400),
  address: freeText(400),
  /** What is wished for or not wanted; stands on the list to pack by. */
  wish: freeText(200),
  /** Of a subscriber. */
  monthlyBars: wholeWithin('count', monthlyBarsRange).required(),
  /** Gets nothing for now. */
  isPaused: boolean().required(),
  /** Of a shop: it pays for what it sold, and what it does not sell comes back. */
  isSaleOrReturn: boolean().required(),
  /** What a shop pays for a bar; null where nothing of its own was agreed on. */
  priceCents: wholeWithin('count', centsRange).nullable().defined(),
})
  .noUnknown()
  .required()

export const savedCustomerSchema = customerSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

/** A list of customers, each known by its kind and name. */
export const customerListSchema = object({ customers: array(customerSchema).min(1).max(mostCustomers).required() })
  .noUnknown()
  .required()

/** Bars that a shop has, and did not sell, come back to where they are free. */
export const barsBackSchema = object({
  who: text().trim().required(said('name_missing')).max(200),
  designId: idText(),
  bars: wholeWithin('count', monthlyBarsRange).required(),
})
  .noUnknown()
  .required()

export type NewCustomer = InferType<typeof customerSchema>
export type SavedCustomer = InferType<typeof savedCustomerSchema>
export type CustomerList = InferType<typeof customerListSchema>
export type BarsBack = InferType<typeof barsBackSchema>
