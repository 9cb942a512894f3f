import Papa from 'papaparse'
import { roundTo } from '../../units'
import type { Earning } from '../earnings'

const money = (cents: number): number => roundTo(cents / 100, 2)

/** What was earned, as a table: money without tax, in the workshop's currency. A name that a spreadsheet would reckon with is kept a text. */
export function writeEarningsCsv(rows: readonly Earning[]): string {
  return Papa.unparse(
    {
      fields: ['name', 'bars', 'taken', 'ingredients', 'packing', 'work', 'shared', 'profit', 'hours', 'an hour'],
      data: rows.map((row) => [
        row.name,
        row.bars,
        money(row.takenCents),
        money(row.ingredientCents),
        money(row.packingCents),
        money(row.workCents),
        money(row.sharedCents),
        money(row.profitCents),
        roundTo(row.hours, 2),
        row.perHourCents === null ? '' : money(row.perHourCents),
      ]),
    },
    { newline: '\n', escapeFormulae: true },
  )
}
