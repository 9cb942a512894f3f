import type { Day } from '../calendar'
import type { TablePage, TableView } from '../tables'
import { choicesOf, hasWords, pageOfRows, wordsOf } from '../tables'
import type { IngredientKind } from './ingredient'
import type { LotFault } from './lots'

/** A delivery, as a line of the table of lots. */
export interface LotRow {
  readonly id: string
  readonly ingredientId: string
  readonly ingredient: string
  readonly kind: IngredientKind
  readonly lotNumber: string
  readonly supplier: string
  readonly receivedDay: Day
  readonly bestBeforeDay: Day | null
  /** g or pieces. */
  readonly receivedAmount: number
  readonly leftAmount: number
  /** Paid for all of it, cents; null: not known. */
  readonly priceCents: number | null
  /** How it stands today: it may be used, or why not. */
  readonly state: LotFault | 'here'
}

export const lotStates = ['here', 'steeping', 'not_here', 'expired', 'recalled', 'empty'] as const satisfies readonly (
  LotFault | 'here'
)[]

export const lotSortKeys = [
  'ingredient',
  'lotNumber',
  'supplier',
  'receivedDay',
  'bestBeforeDay',
  'receivedAmount',
  'leftAmount',
  'priceCents',
  'state',
] as const
export type LotSortKey = (typeof lotSortKeys)[number]

/** Which lots are wanted: all that fit every wish. Null: no such wish. */
export interface LotQuery extends TableView<LotSortKey> {
  /** Every word of it stands in the ingredient, the lot number or the supplier. */
  readonly text: string
  readonly kind: IngredientKind | null
  readonly supplier: string | null
  readonly state: LotRow['state'] | null
  readonly from: Day | null
  readonly to: Day | null
}

/** All lots, the newest first. */
export const everyLot: LotQuery = {
  text: '',
  kind: null,
  supplier: null,
  state: null,
  from: null,
  to: null,
  sortBy: 'receivedDay',
  isDescending: true,
  page: 1,
  perPage: 25,
}

export interface LotPage extends TablePage<LotRow> {
  readonly facets: { readonly suppliers: readonly string[] }
}

const fits = (row: LotRow, { kind, supplier, state, from, to }: LotQuery, words: readonly string[]): boolean =>
  (kind === null || row.kind === kind) &&
  (supplier === null || row.supplier === supplier) &&
  (state === null || row.state === state) &&
  (from === null || row.receivedDay >= from) &&
  (to === null || row.receivedDay <= to) &&
  hasWords(row, words, ({ ingredient, lotNumber, supplier: of }) => [ingredient, lotNumber, of])

/** The page of the table of lots that is asked for; those that are alike stand as they are given. */
export function pageOfLots(rows: readonly LotRow[], query: LotQuery): LotPage {
  const words = wordsOf(query.text)
  const fitting = rows.filter((row) => fits(row, query, words))
  return {
    ...pageOfRows(fitting, query),
    facets: { suppliers: choicesOf(rows.map(({ supplier }) => supplier)) },
  }
}
