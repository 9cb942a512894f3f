import type { LoafView, SavedWorkshop } from '@vendange/contract'
import { codeOfLot } from '@vendange/core/cure'
import type { LabelStock } from '@vendange/core/release'
import { labelOf } from '@vendange/core/release'
import { labelLines } from '@vendange/words'
import type { CardSheet } from '../parts/cardsPdf'

/** The lines of a loaf's label, as its workshop writes them. */
export function linesOfLabel(view: LoafView, workshop: SavedWorkshop, today: string): readonly string[] {
  const { terms, ingredients } = labelOf(view.loaf, view.plan, view.namesOnLabel, workshop, today)
  return labelLines(terms, ingredients)
}

/** Labels of a loaf on a sheet of common stock, each with a code that leads to its lot. */
export function labelSheet(
  view: LoafView,
  workshop: SavedWorkshop,
  { stock, count, today }: { readonly stock: LabelStock; readonly count: number; readonly today: string },
): CardSheet {
  const [name = '', ...rest] = linesOfLabel(view, workshop, today)
  const { lotCode } = view.loaf
  const label = {
    text: [
      { text: name, bold: true, fontSize: 9 },
      { text: `\n${rest.join('  ·  ')}`, fontSize: 5 },
    ],
    code: codeOfLot(lotCode),
  }
  return { title: `Labels of lot ${lotCode}`, stock, cards: [label], copies: count }
}
