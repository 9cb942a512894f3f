import type { LabelStock } from '@vendange/core/release'
import { labelPlaces } from '@vendange/core/release'
import type { Content } from 'pdfmake'
import { pdfOf } from './pdf'

const pointsPerMm = 72 / 25.4
const points = (mm: number): number => mm * pointsPerMm
const paddingMm = 3
const widestCodeMm = 18

/** A card or a label: what stands on it, and what its code says. */
export interface Card {
  readonly text: Content
  readonly code: string
}

/** Cards on sheets of common stock, each with its text on the left and its code on the right. */
export function cardsPdf(
  title: string,
  stock: LabelStock,
  cards: readonly Card[],
  codeMm = widestCodeMm,
): Promise<Buffer> {
  const sideMm = Math.min(codeMm, stock.labelHeightMm - 2 * paddingMm)
  const places = labelPlaces(stock, cards.length)
  const content = places.flatMap(({ page, xMm, yMm }, at): Content[] => {
    const card = cards[at]
    if (!card) return []
    return [
      ...(at > 0 && page !== places[at - 1]?.page ? [{ text: '', pageBreak: 'before' as const }] : []),
      {
        absolutePosition: { x: points(xMm + paddingMm), y: points(yMm + paddingMm) },
        columnGap: points(2),
        columns: [
          // The package writes its layout into what it is given: cards that share their text get a copy each.
          { width: points(stock.labelWidthMm - sideMm - 2 * paddingMm - 2), stack: [structuredClone(card.text)] },
          { qr: card.code, fit: points(sideMm), width: points(sideMm) },
        ],
      },
    ]
  })
  return pdfOf({
    pageSize: { width: points(stock.pageWidthMm), height: points(stock.pageHeightMm) },
    pageMargins: [0, 0, 0, 0],
    info: { title, creator: 'Vendange' },
    defaultStyle: { font: 'Roboto', lineHeight: 1.05 },
    content,
  })
}
