import type { Day } from '../calendar'
import type { FaultKey } from '../cutting'
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
export interface LoafQuery {
  /** Every word of it stands in the name, the lot, the scent, the place or among the ingredients. */
  readonly text: string
  readonly soap: string | null
  readonly status: LoafStatus | null
  readonly scent: string | null
  readonly fault: FaultKey | null
  readonly place: string | null
  readonly from: Day | null
  readonly to: Day | null
  readonly sortBy: LoafSortKey
  readonly isDescending: boolean
  /** From 1. */
  readonly page: number
  readonly perPage: number
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

export interface LoafPage {
  readonly rows: readonly LoafRow[]
  /** Lines that fit, on all pages. */
  readonly total: number
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
  if (words.length === 0) return true
  const told = [row.name, row.lotCode, row.scent, row.place, ...row.ingredients].join('\n').toLowerCase()
  return words.every((word) => told.includes(word))
}

type Value = string | number | null
// Five thousand names are put in order at every question: one collator does it several times as fast as each by itself.
const { compare: inAlphabet } = new Intl.Collator('en')
/** Lot codes are figures: as they stand, the newest first. */
const newestFirst = (a: string, b: string): number => (a < b ? 1 : a > b ? -1 : 0)
/** Nothing known comes last, whichever way round. */
function compare(a: Value, b: Value, isDescending: boolean): number {
  if (a === null || b === null) return a === b ? 0 : a === null ? 1 : -1
  const order = typeof a === 'number' && typeof b === 'number' ? a - b : inAlphabet(String(a), String(b))
  return isDescending ? -order : order
}

const inOrder = <T extends string>(values: Iterable<T>): readonly T[] =>
  [...new Set(values)].filter((value) => value !== '').sort(inAlphabet)

/** The page of a table of loaves that a query asks for; those that are alike in what is sorted by stand newest first. */
export function pageOfLoaves(rows: readonly LoafRow[], query: LoafQuery): LoafPage {
  const words = query.text.toLowerCase().split(/\s+/).filter(Boolean)
  const fitting = rows.filter((row) => fits(row, query, words))
  const sorted = fitting.sort(
    (a, b) => compare(a[query.sortBy], b[query.sortBy], query.isDescending) || newestFirst(a.lotCode, b.lotCode),
  )
  const start = (query.page - 1) * query.perPage
  return {
    rows: sorted.slice(start, start + query.perPage),
    total: sorted.length,
    bars: sorted.reduce((sum, { bars }) => sum + (bars ?? 0), 0),
    facets: {
      soaps: inOrder(rows.map(({ soap }) => soap)),
      scents: inOrder(rows.map(({ scent }) => scent)),
      places: inOrder(rows.map(({ place }) => place)),
      faults: inOrder(rows.flatMap(({ faults }) => faults)),
    },
  }
}
