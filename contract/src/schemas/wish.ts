import { contentKeys } from '@vendange/core/fats'
import type { Wish } from '@vendange/core/wishes'
import type { ISchema } from 'yup'
import { array, lazy, number, object, string } from 'yup'
import { said } from '../said'
import { text, within } from './pieces'

const shareRange = { min: 0, max: 1 } as const
const senses = ['at_most', 'at_least'] as const
const fatKey = () => text().max(64).required(said('fat_missing'))
const sense = () => string().oneOf(senses).required()
const limit = () => within('share', shareRange).required()
const kind = <K extends Wish['kind']>(name: K) => string().oneOf([name]).required()

export const wishSchemas = {
  fat: object({ kind: kind('fat'), fatKey: fatKey(), sense: sense(), limit: limit() })
    .noUnknown()
    .required(),
  acids: object({
    kind: kind('acids'),
    acids: string().oneOf(['polyunsaturated', 'foaming', 'firm']).required(),
    sense: sense(),
    limit: limit(),
  })
    .noUnknown()
    .required(),
  liquid: object({ kind: kind('liquid'), sense: sense(), limit: limit() })
    .noUnknown()
    .required(),
  free_of: object({ kind: kind('free_of'), content: string().oneOf(contentKeys).required() })
    .noUnknown()
    .required(),
  bar_cost: object({ kind: kind('bar_cost'), limitCents: within('money', { min: 0, max: 100_000 }).required() })
    .noUnknown()
    .required(),
} as const

const wishSchema = lazy((value: unknown) => {
  const its = typeof value === 'object' && value !== null && 'kind' in value ? String(value.kind) : ''
  return Object.hasOwn(wishSchemas, its)
    ? wishSchemas[its as keyof typeof wishSchemas]
    : object({ kind: string().oneOf(Object.keys(wishSchemas)).required() }).required()
})

/** A recipe's fats with what is wished of them. */
export interface WishRequest {
  readonly fats: readonly { readonly fatKey: string; readonly share: number; readonly atTrace: boolean }[]
  readonly superfat: number
  readonly wishes: readonly Wish[]
  /** Fats that stay as they are. */
  readonly locked: readonly string[]
  /** Fats that may come in. */
  readonly mayAdd: readonly string[]
  /** g of fats in a bar, for wishes about its cost. */
  readonly fatsGPerBar: number
}

export const wishRequestSchema = object({
  fats: array(object({ fatKey: fatKey(), share: within('share', shareRange).required() }).required())
    .min(1, said('no_fats'))
    .max(30)
    .required(),
  superfat: number().min(0).max(1).required(),
  wishes: array(wishSchema).min(1, said('no_wish')).max(20).required(),
  locked: array(fatKey()).max(30).required(),
  mayAdd: array(fatKey()).max(200).required(),
  fatsGPerBar: within('mass', { min: 1, max: 1000 }).required(),
})
  .noUnknown()
  .required() as unknown as ISchema<WishRequest>
