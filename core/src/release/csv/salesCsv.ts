import Papa from 'papaparse'
import type { Day } from '../../calendar'
import { isDay } from '../../calendar'
import type { Sentence } from '../../findings'
import { sentence, series } from '../../findings'
import type { SaleChannel } from '../../loaf'
import { saleChannels } from '../../loaf'
import type { SaleRow } from '../salesTable'

/** One line of a table of sales. */
export interface SalesLine {
  readonly saleId: string
  readonly day: Day
  readonly soap: string
  /** Empty: of whichever lot was set aside first. */
  readonly lotCode: string
  readonly channel: SaleChannel
  readonly bars: number
  readonly buyer: string
  readonly priceCents: number | null
}

export type SalesCsv =
  | { readonly ok: true; readonly sales: readonly SalesLine[] }
  /** What cannot be read, with its line counted from 1. */
  | { readonly ok: false; readonly problems: readonly Sentence[] }

/** Characters that one file may have. */
export const longestSalesFile = 2_000_000
const needed = ['day', 'soap', 'bars', 'channel'] as const

/**
 * Reads a table of sales with the columns `day`, `soap`, `bars`, `channel`, and where they are known `lot`, `buyer`,
 * `price` and `sale` (a number of its own, so that a file that is read twice counts once). Never throws on text.
 */
export function parseSalesCsv(text: string): SalesCsv {
  if (text.length > longestSalesFile) return { ok: false, problems: [sentence('sales_file_too_long')] }
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: (name) => name.trim().toLowerCase(),
  })
  const missing = needed.filter((name) => !(meta.fields ?? []).includes(name))
  if (missing.length > 0) return { ok: false, problems: [sentence('sales_columns', { missing })] }
  const problems: Sentence[] = []
  const sales = data.flatMap((row, index): readonly SalesLine[] => {
    const cell = (name: string): string => (row[name] ?? '').trim()
    const fault = (problem: Sentence): void => void problems.push(sentence('at_line', { line: index + 2, problem }))
    const bars = Number(cell('bars'))
    const price = cell('price') === '' ? null : Number(cell('price').replace(',', '.'))
    const channel = saleChannels.find((one) => one.toLowerCase() === cell('channel').toLowerCase())
    if (!isDay(cell('day'))) fault(sentence('sale_no_day'))
    else if (cell('soap') === '') fault(sentence('sale_no_soap'))
    else if (!Number.isInteger(bars) || bars < 1) fault(sentence('sale_bars_range'))
    else if (!channel) fault(sentence('sale_channel_unknown', { channels: series(saleChannels) }))
    else if (price !== null && !(price >= 0)) fault(sentence('sale_price_unread'))
    else
      return [
        {
          day: cell('day'),
          soap: cell('soap'),
          lotCode: cell('lot'),
          channel,
          bars,
          buyer: cell('buyer'),
          saleId: cell('sale') || `${cell('day')} ${cell('soap')} ${channel} ${cell('buyer')} ${index + 1}`,
          priceCents: price === null ? null : Math.round(price * 100),
        },
      ]
    return []
  })
  return problems.length > 0 ? { ok: false, problems } : { ok: true, sales }
}

/** Who has bars of which lots, as a table: for calling them back. A name that a spreadsheet would reckon with is kept a text. */
export function writeRecallCsv(
  rows: readonly {
    readonly lotCode: string
    readonly soap: string
    readonly day: Day
    readonly channel: string
    readonly buyer: string
    readonly bars: number
  }[],
): string {
  return Papa.unparse(
    {
      fields: ['lot', 'soap', 'day', 'channel', 'buyer', 'bars'],
      data: rows.map(({ lotCode, soap, day, channel, buyer, bars }) => [lotCode, soap, day, channel, buyer, bars]),
    },
    { newline: '\n', escapeFormulae: true },
  )
}

/** Sales as a table that {@link parseSalesCsv} reads. A name that a spreadsheet would reckon with is kept a text. */
export function writeSalesCsv(rows: readonly SaleRow[]): string {
  return Papa.unparse(
    {
      fields: ['day', 'soap', 'bars', 'channel', 'lot', 'buyer', 'price', 'sale'],
      data: rows.map(({ day, soap, bars, channel, lotCode, buyer, priceCents, saleId }) => [
        ...[day, soap, bars, channel, lotCode, buyer],
        ...[priceCents === null ? '' : (priceCents / 100).toFixed(2), saleId],
      ]),
    },
    { newline: '\n', escapeFormulae: true },
  )
}
