import type { QuoteOffer, SavedOrder, SavedWorkshop } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { quantity } from '@vendange/core/findings'
import { depositAsked, taxedPrice } from '@vendange/core/plan'
import { plainReading, quantityWords, quoteLineWords, readingOf } from '@vendange/words'
import type { Content, TableCell } from 'pdfmake'
import type { PdfDocument } from '../parts/pdf'
import { pageOf, pdfOf } from '../parts/pdf'

const ink = '#2A2230'
const grape = '#5A2750'
const quiet = '#5B5560'
const hairline = '#C9BFAF'

/** An order that was quoted. */
/** An order with its quote on paper. */
export type QuotedOrder = SavedOrder & { readonly quoted: NonNullable<SavedOrder['quoted']> }

/** What is offered, in the client's words. */
function offered(offer: QuoteOffer, told: ReturnType<typeof wordsIn>): readonly string[] {
  const each = offer.bars === 1 ? '' : ' each'
  return [
    `${barsOf(offer)} of soap, ${told.bar(offer.labelMassG)}${each} when handed over`,
    ...(offer.scent ? [`Scent: ${offer.scent.name}`] : ['Without scent']),
    ...(offer.bevelled ? ['Edges bevelled by hand'] : []),
    ...(offer.stamped ? ['Every bar carries your stamp'] : []),
    ...(offer.packing === '' ? [] : [`Packing: ${offer.packing}`]),
  ]
}

/** Figures of the workshop, days with their year: a document is read in another one. */
function wordsIn(workshop: SavedWorkshop, today: string) {
  const reading = { ...plainReading, ...readingOf(workshop, today) }
  return {
    bar: (g: number): string => quantityWords(quantity.barMass(g), reading),
    money: (cents: number): string => quantityWords(quantity.money(cents), reading),
    share: (share: number): string => quantityWords(quantity.share(share), reading),
    day: (day: string): string => `${formatDay(day)} ${day.slice(0, 4)}`,
  }
}

const barsOf = ({ bars }: QuoteOffer): string => (bars === 1 ? '1 bar' : `${bars} bars`)

const coloursOf = ({ colours }: QuoteOffer): Content => ({
  columns: colours.map(({ name, hex }) => ({
    width: 'auto',
    margin: [0, 0, 14, 0],
    columns: [
      { width: 16, canvas: [{ type: 'rect', x: 0, y: 0, w: 12, h: 12, r: 2, color: hex, lineColor: hairline }] },
      { width: 'auto', text: name },
    ],
  })),
})

/** Lines of the price and what they come to, tax as the workshop states it. */
function priceTable({ quoted }: QuotedOrder, workshop: SavedWorkshop, told: ReturnType<typeof wordsIn>): Content {
  const { taxName, taxShare, isTaxIncluded } = workshop.quoting
  const price = taxedPrice(quoted.priceCents, workshop.quoting)
  const row = (words: string, cents: number, style?: string): TableCell[] => [
    { text: words, ...(style && { style }) },
    { text: told.money(cents), alignment: 'right', noWrap: true, ...(style && { style }) },
  ]
  const tax = `${taxName} ${told.share(taxShare)}`
  const taxRows =
    taxName.trim() === '' || taxShare === 0
      ? []
      : isTaxIncluded
        ? [row(`Of it ${tax}`, price.taxCents, 'small')]
        : [row(`${tax} on top`, price.taxCents)]
  const total = row(`In all, ${barsOf(quoted.offer)}`, price.grossCents, 'total')
  return {
    table: {
      widths: ['*', 'auto'],
      body: [
        ...quoted.lines.map(({ of, cents }) => row(quoteLineWords[of], cents)),
        ...(isTaxIncluded ? [total, ...taxRows] : [...taxRows, total]),
      ],
    },
    layout: {
      hLineWidth: (line) => (line === 0 ? 0 : 0.5),
      vLineWidth: () => 0,
      hLineColor: () => hairline,
      paddingLeft: () => 0,
      paddingRight: () => 0,
      paddingTop: () => 5,
      paddingBottom: () => 5,
    },
  }
}

const heading = (text: string): Content => ({ text, style: 'heading' })

/** A quote as its client gets it: what is offered, for how much, by when and on which terms; nothing of the maker's sums. */
function quoteDocument(order: QuotedOrder, workshop: SavedWorkshop, today: string): PdfDocument {
  const { quoted } = order
  const { quoting } = workshop
  const told = wordsIn(workshop, today)
  const price = taxedPrice(quoted.priceCents, quoting)
  const deposit = depositAsked(price, quoting.depositShare)
  return {
    pageSize: pageOf(workshop),
    pageMargins: [62, 52, 62, 44],
    info: { title: `Quote for ${order.client}`, author: workshop.name, creator: 'Vendange' },
    defaultStyle: { font: 'Roboto', fontSize: 11, lineHeight: 1.2, color: ink },
    styles: {
      heading: { fontSize: 9, bold: true, color: quiet, characterSpacing: 0.6, margin: [0, 16, 0, 4] },
      small: { fontSize: 9.5, color: quiet },
      total: { fontSize: 14, bold: true, color: grape },
    },
    content: [
      {
        columns: [
          [
            { text: workshop.name, fontSize: 22, bold: true, color: grape },
            { text: [workshop.makerAddress, quoting.contact].filter((line) => line !== '').join('\n'), style: 'small' },
          ],
          {
            width: 'auto',
            alignment: 'right',
            stack: [
              { text: 'Quote', fontSize: 22, color: ink },
              { text: told.day(quoted.day), style: 'small' },
              { text: `Valid until ${told.day(quoted.validUntilDay)}`, style: 'small' },
            ],
          },
        ],
      },
      { canvas: [{ type: 'line', x1: 0, y1: 10, x2: 471, y2: 10, lineWidth: 0.8, lineColor: grape }] },
      heading('FOR'),
      { text: order.client, bold: true, fontSize: 13 },
      ...(order.contact === '' ? [] : [{ text: order.contact, style: 'small' }]),
      heading('WHAT WE OFFER'),
      ...offered(quoted.offer, told).map((text): Content => ({ text, margin: [0, 0, 0, 2] })),
      ...(quoted.offer.colours.length > 0
        ? [{ margin: [0, 6, 0, 0], stack: [coloursOf(quoted.offer)] } satisfies Content]
        : []),
      heading('PRICE'),
      priceTable(order, workshop, told),
      {
        text: `About ${told.money(price.grossCents / quoted.offer.bars)} a bar.`,
        style: 'small',
        margin: [0, 4, 0, 0],
      },
      heading('WHEN'),
      {
        text: `Ready on ${told.day(quoted.readyDay)}, if we hear from you by ${told.day(quoted.validUntilDay)} and the days are still free.`,
      },
      ...(deposit > 0
        ? [
            heading('DEPOSIT'),
            {
              text: `${told.money(deposit)} (${told.share(quoting.depositShare)}) when you accept, the rest when the bars are handed over.`,
            },
          ]
        : []),
      ...(order.depositCents > 0 ? [{ text: `${told.money(order.depositCents)} received, with thanks.` }] : []),
      ...(quoting.terms === '' ? [] : [heading('TERMS'), { text: quoting.terms, style: 'small' }]),
      {
        margin: [0, 34, 0, 0],
        unbreakable: true,
        columns: ['Date', 'Accepted for the client'].map((text, at) => ({
          width: at === 0 ? 130 : '*',
          margin: [0, 0, 20, 0],
          stack: [
            {
              canvas: [
                { type: 'line', x1: 0, y1: 0, x2: at === 0 ? 110 : 300, y2: 0, lineWidth: 0.5, lineColor: quiet },
              ],
            },
            { text, style: 'small', margin: [0, 3, 0, 0] },
          ],
        })),
      },
    ],
  }
}

/** The quote of an order as a file for its client. */
export const quotePdf = (order: QuotedOrder, workshop: SavedWorkshop, today: string): Promise<Uint8Array> =>
  pdfOf(quoteDocument(order, workshop, today))
