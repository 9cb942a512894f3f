import type { InferType } from 'yup'
import { object } from 'yup'
import { freeText, idText, nameText, wholeWithin } from './pieces'
import { barsRange } from './plan'
import { centsRange } from './workshop'

/** Bars put on sale in the web shop. */
export const shopOfferSchema = object({
  designId: idText(),
  name: nameText(),
  bars: wholeWithin('count', barsRange).required(),
  priceCents: wholeWithin('count', centsRange).required(),
})
  .noUnknown()
  .required()

export const shopBuySchema = object({
  bars: wholeWithin('count', barsRange).required(),
  buyer: freeText(200),
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
