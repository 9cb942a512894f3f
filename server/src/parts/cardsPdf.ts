import type { LabelStock } from '@vendange/core/release'
import { labelPlaces } from '@vendange/core/release'
import type { Content } from 'pdfmake'
import { toDataURL } from 'qrcode'
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

/** Dots of a printed code to one of its squares: enough that a printer draws them sharp. */
const dotsASquare = 8

/** A picture of each code, once however often it stands on the sheet. */
async function codesOf(cards: readonly Card[]): Promise<Record<string, string>> {
  const codes = [...new Set(cards.map(({ code }) => code))]
  const pictures = codes.map(async (code) => [code, await toDataURL(code, { margin: 0, scale: dotsASquare })] as const)
  return Object.fromEntries(await Promise.all(pictures))
}

/** Cards for sheets of common stock. */
export interface CardSheet {
  readonly title: string
  readonly stock: LabelStock
  readonly cards: readonly Card[]
  /** So many of each. @default 1 */
  readonly copies?: number
  /** Places of the first sheet that are used up already. @default 0 */
  readonly usedPlaces?: number
  /** Side of the code, where the stock has room for it, mm. @default 18 */
  readonly codeMm?: number
}

/**
 * Cards on sheets of common stock, each with its text on the left and its code on the right.
 *
 * @param onShare called with how much is done, 0 to 1
 */
export async function cardsPdf(sheet: CardSheet, onShare?: (share: number) => void): Promise<Uint8Array> {
  const { title, stock, copies = 1, usedPlaces = 0, codeMm = widestCodeMm } = sheet
  const cards = sheet.cards.flatMap((card) => Array.from({ length: copies }, () => card))
  const sideMm = Math.min(codeMm, stock.labelHeightMm - 2 * paddingMm)
  const places = labelPlaces(stock, usedPlaces + cards.length).slice(usedPlaces)
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
          { image: card.code, width: points(sideMm) },
        ],
      },
    ]
  })
  return pdfOf(
    {
      pageSize: { width: points(stock.pageWidthMm), height: points(stock.pageHeightMm) },
      pageMargins: [0, 0, 0, 0],
      info: { title, creator: 'Vendange' },
      defaultStyle: { font: 'Roboto', lineHeight: 1.05 },
      images: await codesOf(cards),
      content,
    },
    onShare,
  )
}
