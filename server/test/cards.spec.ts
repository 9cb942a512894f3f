import { labelStocks } from '@vendange/core/release'
import { expect } from 'chai'
import { cardsPdf } from '../src/parts/cardsPdf'
import { textOfPdf } from './pdfText'

describe('a sheet of cards', () => {
  it('writes the whole text on each of twelve cards that share it, and on the next sheet', async () => {
    const [stock] = labelStocks
    if (!stock) throw new Error('Expected a stock of labels')
    const card = { text: [{ text: 'Chalk & Flint', bold: true }, { text: '\nLot 270308-1' }], code: 'lot:270308-1' }
    const count = stock.columns * stock.rows + 2
    const pages = await textOfPdf(await cardsPdf({ title: 'Labels', stock, cards: [card], copies: count }))
    expect(pages).to.have.length(2)
    const times = (part: string): number[] => pages.map((page) => page.split(part).length - 1)
    expect(times('Chalk & Flint')).to.deep.equal([count - 2, 2])
    expect(times('Lot 270308-1')).to.deep.equal([count - 2, 2])
  })
})
