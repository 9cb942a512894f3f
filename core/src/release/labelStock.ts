/** A sheet of labels, mm. Sizes as such sheets commonly have them. */
export interface LabelStock {
  readonly key: string
  readonly paper: 'A4' | 'Letter'
  readonly pageWidthMm: number
  readonly pageHeightMm: number
  readonly columns: number
  readonly rows: number
  readonly labelWidthMm: number
  readonly labelHeightMm: number
  readonly leftMm: number
  readonly topMm: number
  readonly gapXMm: number
  readonly gapYMm: number
}

const a4 = { pageWidthMm: 210, pageHeightMm: 297 } as const
const letter = { pageWidthMm: 215.9, pageHeightMm: 279.4 } as const

export const labelStocks: readonly LabelStock[] = [
  {
    key: 'a4-14',
    paper: 'A4',
    ...a4,
    columns: 2,
    rows: 7,
    labelWidthMm: 99,
    labelHeightMm: 38,
    leftMm: 4.5,
    topMm: 15.5,
    gapXMm: 3,
    gapYMm: 0,
  },
  {
    key: 'a4-8',
    paper: 'A4',
    ...a4,
    columns: 2,
    rows: 4,
    labelWidthMm: 99,
    labelHeightMm: 68,
    leftMm: 4.5,
    topMm: 12.5,
    gapXMm: 3,
    gapYMm: 0,
  },
  {
    key: 'letter-10',
    paper: 'Letter',
    ...letter,
    columns: 2,
    rows: 5,
    labelWidthMm: 101.6,
    labelHeightMm: 50.8,
    leftMm: 4.1,
    topMm: 12.7,
    gapXMm: 4.5,
    gapYMm: 0,
  },
  {
    key: 'letter-6',
    paper: 'Letter',
    ...letter,
    columns: 2,
    rows: 3,
    labelWidthMm: 101.6,
    labelHeightMm: 84.6,
    leftMm: 4.1,
    topMm: 12.7,
    gapXMm: 4.5,
    gapYMm: 0,
  },
]

/** The stock on the paper of a workshop that is meant for labels, and the larger one for cards. */
export function usualStock(lengthUnit: 'mm' | 'in', use: 'labels' | 'cards'): LabelStock {
  const paper = lengthUnit === 'in' ? 'Letter' : 'A4'
  const area = ({ labelWidthMm, labelHeightMm }: LabelStock): number => labelWidthMm * labelHeightMm
  const onPaper = labelStocks.filter((stock) => stock.paper === paper).sort((a, b) => area(a) - area(b))
  return (use === 'labels' ? onPaper[0] : onPaper.at(-1))!
}

/** Where each label of a run lies: its page from 0, and its upper left corner, mm. */
export function labelPlaces(
  stock: LabelStock,
  count: number,
): readonly { readonly page: number; readonly xMm: number; readonly yMm: number }[] {
  const { columns, rows, labelWidthMm, labelHeightMm, leftMm, topMm, gapXMm, gapYMm } = stock
  return Array.from({ length: count }, (_, index) => {
    const at = index % (columns * rows)
    return {
      page: Math.floor(index / (columns * rows)),
      xMm: leftMm + (at % columns) * (labelWidthMm + gapXMm),
      yMm: topMm + Math.floor(at / columns) * (labelHeightMm + gapYMm),
    }
  })
}
