import Papa from 'papaparse'
import type { LotRow } from '../lotTable'

/** Lots as a table for other programs; g, pieces and cents. A name that a spreadsheet would reckon with is kept a text. */
export function writeLotsCsv(rows: readonly LotRow[]): string {
  const fields = ['ingredient', 'kind', 'lot', 'supplier', 'came', 'best before', 'amount', 'left', 'paid', 'state']
  return Papa.unparse(
    {
      fields,
      data: rows.map((row) => [
        ...[row.ingredient, row.kind, row.lotNumber, row.supplier, row.receivedDay, row.bestBeforeDay],
        ...[row.receivedAmount, row.leftAmount, row.priceCents, row.state],
      ]),
    },
    { newline: '\n', escapeFormulae: true },
  )
}
