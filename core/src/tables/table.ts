/** What of a table is seen: its order, and a page of it. */
export interface TableView<Key extends string> {
  readonly sortBy: Key
  readonly isDescending: boolean
  /** From 1. */
  readonly page: number
  readonly perPage: number
}

export interface TablePage<Row> {
  readonly rows: readonly Row[]
  /** Lines that fit, on all pages. */
  readonly total: number
}

type Value = string | number | null
// Thousands of names are put in order at every question: one collator does it several times as fast as each by itself.
const { compare: inAlphabet } = new Intl.Collator('en')

/** Nothing known comes last, whichever way round. */
function compare(a: Value, b: Value, isDescending: boolean): number {
  if (a === null || b === null) return a === b ? 0 : a === null ? 1 : -1
  const order = typeof a === 'number' && typeof b === 'number' ? a - b : inAlphabet(String(a), String(b))
  return isDescending ? -order : order
}

/**
 * The page of a table that is asked for.
 *
 * @param rows those that fit; they are put in order in place
 * @param tieBreak the order of those that are alike in what is sorted by
 */
export function pageOfRows<Key extends string, Row extends { readonly [K in Key]: Value }>(
  rows: Row[],
  { sortBy, isDescending, page, perPage }: TableView<Key>,
  tieBreak: (a: Row, b: Row) => number,
): TablePage<Row> {
  rows.sort((a, b) => compare(a[sortBy], b[sortBy], isDescending) || tieBreak(a, b))
  const start = (page - 1) * perPage
  return { rows: rows.slice(start, start + perPage), total: rows.length }
}

/** What there is to choose from in a column, each once, by the alphabet; nothing is no choice. */
export function choicesOf<T extends string>(values: Iterable<T>): readonly T[] {
  return [...new Set(values)].filter((value) => value !== '').sort(inAlphabet)
}

/** Words that are looked for, in small letters. @example wordsOf(' Fog  lamp') // ['fog', 'lamp'] */
export const wordsOf = (text: string): readonly string[] => text.toLowerCase().split(/\s+/).filter(Boolean)

/** What is told of each line in small letters, so that it is put together once. */
const toldOf = new WeakMap<object, string>()

/** Whether every one of some words stands somewhere in what is told of a line. @param told is asked once for each line */
export function hasWords<Row extends object>(
  row: Row,
  words: readonly string[],
  told: (row: Row) => readonly string[],
): boolean {
  if (words.length === 0) return true
  let text = toldOf.get(row)
  if (text === undefined) {
    text = told(row).join('\n').toLowerCase()
    toldOf.set(row, text)
  }
  return words.every((word) => text.includes(word))
}
