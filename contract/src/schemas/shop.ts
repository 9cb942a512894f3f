import type { InferType } from 'yup'
import { array, object, string } from 'yup'
import { said } from '../said'
import { freeText, idText, nameText, text, wholeWithin } from './pieces'
import { barsRange } from './plan'
import { centsRange } from './workshop'

/** A moment on every clock, ISO 8601 in UTC. */
const instantText = () =>
  string()
    .strict()
    .matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/, said('no_such_moment'))
    .test('moment', said('no_such_moment'), (value) => value === undefined || !Number.isNaN(Date.parse(value)))

/** Bars put on sale in the web shop. */
export const shopOfferSchema = object({
  designId: idText(),
  name: nameText(),
  bars: wholeWithin('count', barsRange).required(),
  priceCents: wholeWithin('count', centsRange).required(),
  /** What is released together: the bars of a moment are counted over all of it. */
  dropId: text().max(64).optional(),
  /** From when everybody may buy; left out: at once. */
  opensAt: instantText().optional(),
  /** Who may buy before, from when, and how many bars at the most. */
  moments: array(
    object({
      audience: nameText(),
      opensAt: instantText().required(),
      bars: wholeWithin('count', barsRange).nullable().defined(),
    })
      .noUnknown()
      .required(),
  )
    .max(12)
    .optional(),
})
  .noUnknown()
  .required()

export const shopBuySchema = object({
  bars: wholeWithin('count', barsRange).required(),
  buyer: freeText(200),
  /** The early moment that the buyer comes by; left out: as everybody. */
  audience: nameText().optional(),
})
  .noUnknown()
  .required()

export type NewShopOffer = InferType<typeof shopOfferSchema>
export type ShopBuy = InferType<typeof shopBuySchema>

/** What the shop has of a soap. */
export interface ShopOffer {
  readonly designId: string
  readonly name: string
  readonly priceCents: number
  readonly offered: number
  readonly sold: number
  /** Of those sold: in the loaves’ records already. */
  readonly reported: number
  readonly dropId: string
  /** From when everybody may buy; null: at once. */
  readonly opensAt: string | null
  readonly isOpen: boolean
  readonly moments: readonly ShopMoment[]
}

/** An early moment in the shop: with the last of its bars it is closed. */
export interface ShopMoment {
  readonly audience: string
  readonly opensAt: string
  readonly bars: number | null
  readonly sold: number
  readonly isOpen: boolean
}

/** A sale as the shop reports it. */
export interface ShopSale {
  /** The same at every report. */
  readonly saleId: string
  readonly number: number
  readonly designId: string
  readonly bars: number
  readonly buyer: string
  readonly day: string
  readonly priceCents: number
}
