import type { Day } from '../calendar'
import type { FaultKey } from '../cutting'
import type { TablePage, TableView } from '../tables'
import { choicesOf, hasWords, pageOfRows, wordsOf } from '../tables'
import type { LoafStatus } from './loafState'

/** A loaf as a line of the notebook. */
export interface LoafRow {
  readonly id: string
  readonly lotCode: string
  readonly name: string
  /** Its soap, whichever of its pours it is of. */
  readonly soap: string
  readonly designId: string
  readonly pouredDay: Day
  readonly status: LoafStatus
  /** Null until it is cut. */
  readonly bars: number | null
  readonly barsPlanned: number
  /** Share of a bar's mass lost since the cut; null until it was weighed again. */
  readonly lossShare: number | null
  /** Empty where it has none. */
  readonly scent: string
  /** Empty where nobody has said where it stands. */
  readonly place: string
  readonly faults: readonly FaultKey[]
  /** Whatever went into it, by name. */
  readonly ingredients: readonly string[]
}

export const loafSortKeys = [
  'lotCode',
  'name',
  'pouredDay',
  'status',
  'bars',
  'lossShare',
  'scent',
  'place',
] as const satisfies readonly (keyof LoafRow)[]
export type LoafSortKey = (typeof loafSortKeys)[number]

/** Which lines are wanted: all that fit every wish, in an order, a page of them. Null: no such wish. */
export interface LoafQuery extends TableView<LoafSortKey> {
  /** Every word of it stands in the name, the lot, the scent, the place or among the ingredients. */
  readonly text: string
  readonly soap: string | null
  readonly status: LoafStatus | null
  readonly scent: string | null
  readonly fault: FaultKey | null
  readonly place: string | null
  readonly from: Day | null
  readonly to: Day | null
}

/** All loaves, the newest first. */
export const everyLoaf: LoafQuery = {
  text: '',
  soap: null,
  status: null,
  scent: null,
  fault: null,
  place: null,
  from: null,
  to: null,
  sortBy: 'lotCode',
  isDescending: true,
  page: 1,
  perPage: 25,
}

/** What there is to choose from, each in its order. */
export interface LoafFacets {
  readonly soaps: readonly string[]
  readonly scents: readonly string[]
  readonly places: readonly string[]
  readonly faults: readonly FaultKey[]
}

export interface LoafPage extends TablePage<LoafRow> {
  /** Bars that were cut of them. */
  readonly bars: number
  readonly facets: LoafFacets
}

const fits = (row: LoafRow, query: LoafQuery, words: readonly string[]): boolean => {
  const { soap, status, scent, fault, place, from, to } = query
  if (soap !== null && row.soap !== soap) return false
  if (status !== null && row.status !== status) return false
  if (scent !== null && row.scent !== scent) return false
  if (fault !== null && !row.faults.includes(fault)) return false
  if (place !== null && row.place !== place) return false
  if (from !== null && row.pouredDay < from) return false
  if (to !== null && row.pouredDay > to) return false
  return hasWords(row, words, ({ name, lotCode, scent: of, place: at, ingredients }) => [
    ...[name, lotCode, of, at],
    ...ingredients,
  ])
}

const known = new WeakMap<readonly LoafRow[], LoafFacets>()
/** What there is to choose from among some lines, gathered once for the same list of them. */
function facetsOf(rows: readonly LoafRow[]): LoafFacets {
  const before = known.get(rows)
  if (before) return before
  const facets = {
    soaps: choicesOf(rows.map(({ soap }) => soap)),
    scents: choicesOf(rows.map(({ scent }) => scent)),
    places: choicesOf(rows.map(({ place }) => place)),
    faults: choicesOf(rows.flatMap(({ faults }) => faults)),
  }
  known.set(rows, facets)
  return facets
}

/** The page of a table of loaves that a query asks for; those that are alike stand as they are given. */
export function pageOfLoaves(rows: readonly LoafRow[], query: LoafQuery): LoafPage {
  const words = wordsOf(query.text)
  const fitting = rows.filter((row) => fits(row, query, words))
  return {
    ...pageOfRows(fitting, query),
    bars: fitting.reduce((sum, { bars }) => sum + (bars ?? 0), 0),
    facets: facetsOf(rows),
  }
}
