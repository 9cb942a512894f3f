import Papa from 'papaparse'
import type { Day } from '../../calendar'
import { isDay } from '../../calendar'
import { findFat, findFatNamed, isOwnFatKey } from '../../fats'
import type { Sentence } from '../../findings'
import { quantity, sentence, series } from '../../findings'
import { parseQuantity } from '../../units'
import type { IngredientKind } from '../ingredient'
import { ingredientKinds, isCounted } from '../ingredient'
import { cleanAmount } from '../lots'
import type { StoresRow } from '../storesRows'
import { mostStoresRows, repeatedLots } from '../storesRows'

/** A line that cannot be read, counted from 1 with the heading. */
export interface RowProblem {
  readonly line: number
  readonly problem: Sentence
}

export interface StoresFile {
  readonly rows: readonly StoresRow[]
  readonly problems: readonly RowProblem[]
}

const columns = [
  'kind',
  'name',
  'supplier',
  'lot',
  'received',
  'best_before',
  'amount',
  'left',
  'price',
  'lead_days',
  'ref',
]

/** Characters that one file may have. */
export const longestStoresFile = 2_000_000
const mostProblems = 50

const alkalis: Readonly<Record<string, { readonly ref: string; readonly name: string }>> = {
  naoh: { ref: 'naoh', name: 'Sodium hydroxide' },
  'sodium hydroxide': { ref: 'naoh', name: 'Sodium hydroxide' },
  koh: { ref: 'koh', name: 'Potassium hydroxide' },
  'potassium hydroxide': { ref: 'koh', name: 'Potassium hydroxide' },
}

/** Why a line cannot be read. */
class Unreadable extends Error {
  constructor(readonly problem: Sentence) {
    super(problem.code)
  }
}

/** Which thing it is. A fat or an alkali with a key keeps the name that the workshop gave it. */
function named(kind: IngredientKind, name: string, ref: string): { readonly ref: string; readonly name: string } {
  const plain = name.toLowerCase()
  if (
    (kind === 'fat' && (findFat(ref) !== undefined || isOwnFatKey(ref))) ||
    (kind === 'alkali' && Object.hasOwn(alkalis, ref))
  )
    return { ref, name }
  if (kind === 'fat') {
    const fat = findFatNamed(name)
    if (!fat) throw new Unreadable(sentence('stores_fat_unknown', { name }))
    return { ref: fat.key, name: fat.name }
  }
  if (kind === 'alkali') {
    const alkali = alkalis[plain]
    if (!alkali) throw new Unreadable(sentence('stores_alkali_unknown', { name }))
    return alkali
  }
  return { ref: '', name }
}

type Cells = Readonly<Record<string, string>>
/** What a cell holds, without the mark that keeps a table program from running it. */
const cell = (cells: Cells, column: string): string => (cells[column] ?? '').trim().replace(/^'(?=[=+\-@])/, '')

function dayIn(cells: Cells, column: string): Day | null {
  const text = cell(cells, column)
  if (text === '') return null
  if (!isDay(text)) throw new Unreadable(sentence('stores_no_day', { text, column }))
  return text
}

function amountIn(cells: Cells, column: string, kind: IngredientKind): number | null {
  const text = cell(cells, column)
  if (text === '') return null
  const most = isCounted(kind) ? 100_000 : 1_000_000
  const parsed = parseQuantity(isCounted(kind) ? 'count' : 'mass', text, { range: { min: 0, max: most } })
  if (!parsed.ok) throw new Unreadable(sentence('stores_cell', { text, column, problem: parsed.problem }))
  return cleanAmount(parsed.value)
}

function wholeIn(cells: Cells, column: string, quantity: 'money' | 'days', max: number): number | null {
  const text = cell(cells, column)
  if (text === '') return null
  const parsed = parseQuantity(quantity, text, { range: { min: 0, max }, unit: quantity === 'money' ? '' : 'days' })
  if (!parsed.ok) throw new Unreadable(sentence('stores_cell', { text, column, problem: parsed.problem }))
  return Math.round(parsed.value)
}

/** @throws {Unreadable} with what is wrong */
function readRow(cells: Cells): StoresRow {
  const kindText = cell(cells, 'kind').toLowerCase()
  const kind = ingredientKinds.find((one) => one === kindText)
  if (!kind) throw new Unreadable(sentence('stores_kind_unknown', { text: kindText, kinds: series(ingredientKinds) }))
  const name = cell(cells, 'name')
  if (name === '' || name.length > 80) throw new Unreadable(sentence('stores_name_range'))
  const receivedDay = dayIn(cells, 'received')
  const receivedAmount = amountIn(cells, 'amount', kind)
  const leftAmount = amountIn(cells, 'left', kind)
  const base = {
    kind,
    ...named(kind, name, cell(cells, 'ref').toLowerCase()),
    leadDays: wholeIn(cells, 'lead_days', 'days', 365),
  }
  const hasLot = ['supplier', 'lot', 'received', 'best_before', 'amount', 'left', 'price'].some(
    (column) => cell(cells, column) !== '',
  )
  if (!hasLot) return { ...base, lot: null }
  if (receivedAmount === null || receivedAmount === 0)
    throw new Unreadable(sentence('stores_amount_missing', { example: quantity.mass(5000) }))
  if (receivedDay === null) throw new Unreadable(sentence('stores_day_missing'))
  if (leftAmount !== null && leftAmount > receivedAmount) throw new Unreadable(sentence('stores_left_over_came'))
  const [supplier, lotNumber] = [cell(cells, 'supplier').slice(0, 80), cell(cells, 'lot').slice(0, 80)]
  return {
    ...base,
    lot: {
      supplier,
      lotNumber,
      receivedDay,
      receivedAmount,
      leftAmount,
      bestBeforeDay: dayIn(cells, 'best_before'),
      priceCents: wholeIn(cells, 'price', 'money', 100_000_000) ?? 0,
    },
  }
}

/**
 * Reads a stores file: CSV with a heading, commas, semicolons or tabs between, amounts in any unit. Never throws on
 * text: each line that cannot be read is named with what is wrong.
 */
export function parseStoresCsv(text: string): StoresFile {
  const fail = (problem: Sentence): StoresFile => ({ rows: [], problems: [{ line: 1, problem }] })
  if (text.length > longestStoresFile) return fail(sentence('stores_file_too_long'))
  const parsed = Papa.parse<Cells>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    delimiter: '',
    delimitersToGuess: [',', ';', '\t'],
    transformHeader: (heading) =>
      heading
        .trim()
        .toLowerCase()
        .replace(/[\s-]+/g, '_')
        .replace(/^\ufeff/, ''),
  })
  const headings = parsed.meta.fields ?? []
  const lacking = ['kind', 'name'].filter((column) => !headings.includes(column))
  if (lacking.length > 0) return fail(sentence('stores_columns', { columns: series(columns), lacking }))
  if (parsed.data.length > mostStoresRows) return fail(sentence('stores_too_many_lines', { most: mostStoresRows }))
  const rows: StoresRow[] = []
  const lines: number[] = []
  const problems: RowProblem[] = []
  parsed.data.forEach((cells, index) => {
    try {
      rows.push(readRow(cells))
      lines.push(index + 2)
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error
      problems.push({ line: index + 2, problem: error.problem })
    }
  })
  for (const index of repeatedLots(rows)) problems.push({ line: lines[index] ?? 0, problem: sentence('lot_twice') })
  return { rows, problems: problems.slice(0, mostProblems) }
}

/** Writes a stores file that {@link parseStoresCsv} reads back. A cell that a table program would run is quoted. */
export function writeStoresCsv(rows: readonly StoresRow[]): string {
  const amount = (value: number, kind: IngredientKind): string => (isCounted(kind) ? String(value) : `${value} g`)
  return Papa.unparse(
    {
      fields: columns,
      data: rows.map(({ kind, name, ref, leadDays, lot }) => [
        kind,
        name,
        lot?.supplier ?? '',
        lot?.lotNumber ?? '',
        lot?.receivedDay ?? '',
        lot?.bestBeforeDay ?? '',
        lot ? amount(lot.receivedAmount, kind) : '',
        lot ? amount(lot.leftAmount ?? lot.receivedAmount, kind) : '',
        lot && lot.priceCents > 0 ? (lot.priceCents / 100).toFixed(2) : '',
        leadDays ?? '',
        ref,
      ]),
    },
    { newline: '\n', escapeFormulae: true },
  )
}
