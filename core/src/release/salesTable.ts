import type { Day } from '../calendar'
import type { SaleChannel } from '../loaf'
import type { TablePage, TableView } from '../tables'
import { choicesOf, hasWords, pageOfRows, wordsOf } from '../tables'

/** Bars of a loaf that were sold, as a line of the table of sales. */
export interface SaleRow {
  readonly key: string
  readonly saleId: string
  readonly loafId: string
  readonly lotCode: string
  readonly soap: string
  readonly day: Day
  readonly channel: SaleChannel
  /** Empty where nobody was named. */
  readonly buyer: string
  readonly bars: number
  /** For a bar, cents; null: not known. */
  readonly priceCents: number | null
}

export const saleSortKeys = ['day', 'soap', 'lotCode', 'channel', 'buyer', 'bars', 'priceCents'] as const
export type SaleSortKey = (typeof saleSortKeys)[number]

/** Which sales are wanted: all that fit every wish. Null: no such wish. */
export interface SaleQuery extends TableView<SaleSortKey> {
  /** Every word of it stands in the soap, the lot or the buyer. */
  readonly text: string
  readonly soap: string | null
  readonly channel: SaleChannel | null
  readonly from: Day | null
  readonly to: Day | null
}

/** All sales, the newest first. */
export const everySale: SaleQuery = {
  text: '',
  soap: null,
  channel: null,
  from: null,
  to: null,
  sortBy: 'day',
  isDescending: true,
  page: 1,
  perPage: 25,
}

export interface SalePage extends TablePage<SaleRow> {
  /** Of all lines that fit. */
  readonly bars: number
  readonly cents: number
  readonly facets: { readonly soaps: readonly string[]; readonly channels: readonly SaleChannel[] }
}

const fits = (row: SaleRow, { soap, channel, from, to }: SaleQuery, words: readonly string[]): boolean =>
  (soap === null || row.soap === soap) &&
  (channel === null || row.channel === channel) &&
  (from === null || row.day >= from) &&
  (to === null || row.day <= to) &&
  hasWords(row, words, ({ soap: name, lotCode, buyer }) => [name, lotCode, buyer])

const known = new WeakMap<readonly SaleRow[], SalePage['facets']>()
/** What there is to choose from among some sales, gathered once for the same list of them. */
function facetsOf(rows: readonly SaleRow[]): SalePage['facets'] {
  const before = known.get(rows)
  if (before) return before
  const facets = {
    soaps: choicesOf(rows.map(({ soap }) => soap)),
    channels: choicesOf(rows.map(({ channel }) => channel)),
  }
  known.set(rows, facets)
  return facets
}

/** The page of the table of sales that is asked for; those that are alike stand as they are given. */
export function pageOfSales(rows: readonly SaleRow[], query: SaleQuery): SalePage {
  const words = wordsOf(query.text)
  const fitting = rows.filter((row) => fits(row, query, words))
  const sum = (of: (row: SaleRow) => number): number => fitting.reduce((all, row) => all + of(row), 0)
  return {
    bars: sum(({ bars }) => bars),
    cents: sum(({ bars, priceCents }) => bars * (priceCents ?? 0)),
    ...pageOfRows(fitting, query),
    facets: facetsOf(rows),
  }
}
