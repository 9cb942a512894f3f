import { faultKeys } from '@vendange/core/cutting'
import { loafSortKeys, saleChannels } from '@vendange/core/loaf'
import { saleSortKeys } from '@vendange/core/release'
import { ingredientKinds, lotSortKeys, lotStates } from '@vendange/core/stores'
import type { InferType } from 'yup'
import { boolean, object, string } from 'yup'
import { freeText, optionalDay, text, wholeWithin } from './pieces'

export const loafStatuses = ['in_mould', 'unmoulded', 'curing', 'held', 'failed', 'released'] as const
/** Lines of one page; a table that is taken away has them all on one. */
export const perPageRange = { min: 1, max: 20_000 } as const
const chosen = () => text().max(200).nullable().defined()
const oneOf = <T extends string>(values: readonly T[]) => string().oneOf(values).nullable().defined()

/** What every table is asked: words, a period, an order and a page. */
const tableQuery = <Key extends string>(sortKeys: readonly Key[]) => ({
  text: freeText(200),
  from: optionalDay(),
  to: optionalDay(),
  sortBy: string().oneOf(sortKeys).required(),
  isDescending: boolean().required(),
  page: wholeWithin('count', { min: 1, max: 100_000 }).required(),
  perPage: wholeWithin('count', perPageRange).required(),
})

/** Which lines of the notebook are wanted. */
export const loafQuerySchema = object({
  ...tableQuery(loafSortKeys),
  soap: chosen(),
  status: oneOf(loafStatuses),
  scent: chosen(),
  fault: oneOf(faultKeys),
  place: chosen(),
})
  .noUnknown()
  .required()

/** Which sales are wanted. */
export const saleQuerySchema = object({
  ...tableQuery(saleSortKeys),
  soap: chosen(),
  channel: oneOf(saleChannels),
})
  .noUnknown()
  .required()

/** Which lots of the stores are wanted, those that are used up among them. */
export const lotQuerySchema = object({
  ...tableQuery(lotSortKeys),
  kind: oneOf(ingredientKinds),
  supplier: chosen(),
  state: oneOf(lotStates),
})
  .noUnknown()
  .required()

/** Which lines of the record of all loaves are wanted: what happened, by whom; in the order in which it was written. */
export const recordQuerySchema = object({
  ...tableQuery(['at']),
  type: chosen(),
  makerId: chosen(),
})
  .noUnknown()
  .required()

export type LoafTableQuery = InferType<typeof loafQuerySchema>
export type SaleTableQuery = InferType<typeof saleQuerySchema>
export type LotTableQuery = InferType<typeof lotQuerySchema>
export type RecordTableQuery = InferType<typeof recordQuerySchema>
