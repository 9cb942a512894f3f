import type { LoafView, SavedWorkshop } from '@vendange/contract'
import { codeOfLot } from '@vendange/core/cure'
import type { LabelStock } from '@vendange/core/release'
import { labelOf } from '@vendange/core/release'
import { labelLines } from '@vendange/words'
import type { Card, CardSheet } from '../parts/cardsPdf'

/** The lines of a loaf's label, as its workshop writes them. */
export function linesOfLabel(view: LoafView, workshop: SavedWorkshop, today: string): readonly string[] {
  const { terms, ingredients } = labelOf(view.loaf, view.plan, view.namesOnLabel, workshop, today)
  return labelLines(terms, ingredients)
}

/** A label of a loaf, with a code that leads to its lot. */
function labelCard(view: LoafView, workshop: SavedWorkshop, today: string): Card {
  const [name = '', ...rest] = linesOfLabel(view, workshop, today)
  return {
    text: [
      { text: name, bold: true, fontSize: 9 },
      { text: `\n${rest.join('  ·  ')}`, fontSize: 5 },
    ],
    code: codeOfLot(view.loaf.lotCode),
  }
}

/** Labels of a loaf on a sheet of common stock. */
export const labelSheet = (
  view: LoafView,
  workshop: SavedWorkshop,
  { stock, count, today }: { readonly stock: LabelStock; readonly count: number; readonly today: string },
): CardSheet => ({
  title: `Labels of lot ${view.loaf.lotCode}`,
  stock,
  cards: [labelCard(view, workshop, today)],
  copies: count,
})

/**
 * Labels of several loaves, one for each bar that was released, on sheets without gaps.
 *
 * @param usedPlaces places of the first sheet that are used up already
 */
export const labelSheetOfAll = (
  views: readonly LoafView[],
  workshop: SavedWorkshop,
  { stock, usedPlaces, today }: { readonly stock: LabelStock; readonly usedPlaces: number; readonly today: string },
): CardSheet => ({
  title: `Labels of ${views.map(({ loaf }) => `lot ${loaf.lotCode}`).join(', ')}`,
  stock,
  usedPlaces,
  cards: views.flatMap((view) => {
    const card = labelCard(view, workshop, today)
    return Array.from({ length: view.loaf.state.releasedBars }, () => card)
  }),
})
