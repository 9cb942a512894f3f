import Papa from 'papaparse'
import type { LoafRow } from '../../loaf'

/** Lines of the notebook as a table. A name that a spreadsheet would reckon with is kept a text. */
export function writeLoavesCsv(rows: readonly LoafRow[]): string {
  const fields = ['lot', 'soap', 'poured', 'status', 'bars', 'lost', 'scent', 'place', 'faults']
  return Papa.unparse(
    {
      fields,
      data: rows.map(({ lotCode, name, pouredDay, status, bars, lossShare, scent, place, faults }) => [
        ...[lotCode, name, pouredDay, status, bars, lossShare, scent, place],
        faults.join(' '),
      ]),
    },
    { newline: '\n', escapeFormulae: true },
  )
}
