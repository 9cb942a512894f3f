import { faultKeys } from '@vendange/core/cutting'
import { loafSortKeys } from '@vendange/core/loaf'
import type { InferType } from 'yup'
import { boolean, object, string } from 'yup'
import { freeText, optionalDay, text, wholeWithin } from './pieces'

export const loafStatuses = ['in_mould', 'unmoulded', 'curing', 'held', 'failed', 'released'] as const
/** Lines of one page; a table that is taken away has them all on one. */
export const perPageRange = { min: 1, max: 20_000 } as const
const chosen = () => text().max(200).nullable().defined()

/** Which lines of the notebook are wanted. */
export const loafQuerySchema = object({
  text: freeText(200),
  soap: chosen(),
  status: string().oneOf(loafStatuses).nullable().defined(),
  scent: chosen(),
  fault: string().oneOf(faultKeys).nullable().defined(),
  place: chosen(),
  from: optionalDay(),
  to: optionalDay(),
  sortBy: string().oneOf(loafSortKeys).required(),
  isDescending: boolean().required(),
  page: wholeWithin('count', { min: 1, max: 100_000 }).required(),
  perPage: wholeWithin('count', perPageRange).required(),
})
  .noUnknown()
  .required()

export type LoafTableQuery = InferType<typeof loafQuerySchema>
