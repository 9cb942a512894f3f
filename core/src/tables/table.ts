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

/**
 * The places of the values of a column, from 0: words by the alphabet, each of them once, so that a column of sixty
 * thousand lines with some hundred names compares names and not lines. Nothing known is last, whichever way round.
 */
function placesOf(values: readonly Value[], isDescending: boolean): ReadonlyMap<Value, number> {
  const known = [...new Set(values)].filter((value) => value !== null)
  const isNumbers = known.every((value) => typeof value === 'number')
  known.sort((a, b) => (isNumbers ? Number(a) - Number(b) : inAlphabet(String(a), String(b))))
  if (isDescending) known.reverse()
  return new Map<Value, number>([...known.map((value, at) => [value, at] as const), [null, known.length]])
}

/** Indices of values in order: counted by their places, so that what is alike stays as it stands. */
function inOrder(values: readonly Value[], isDescending: boolean): Uint32Array {
  const places = placesOf(values, isDescending)
  const next = new Uint32Array(places.size + 1)
  const placed = Uint32Array.from(values, (value) => places.get(value)!)
  for (const place of placed) next[place + 1]! += 1
  for (let place = 1; place < next.length; place++) next[place]! += next[place - 1]!
  const order = new Uint32Array(values.length)
  placed.forEach((place, at) => (order[next[place]!++] = at))
  return order
}

/**
 * The page of a table that is asked for; what is alike in what is sorted by stays in the order in which it is given.
 *
 * @param rows those that fit
 */
export function pageOfRows<Key extends string, Row extends { readonly [K in Key]: Value }>(
  rows: readonly Row[],
  { sortBy, isDescending, page, perPage }: TableView<Key>,
): TablePage<Row> {
  const order = inOrder(
    rows.map((row): Value => row[sortBy]),
    isDescending,
  )
  const start = (page - 1) * perPage
  return {
    rows: Array.from(order.subarray(start, start + perPage), (at) => rows[at]!),
    total: rows.length,
  }
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
