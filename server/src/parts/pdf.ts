import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import type pdfmake from 'pdfmake'

async function readPrinter(): Promise<typeof pdfmake> {
  const { default: printer } = await import('pdfmake')
  // The fonts that come with the package.
  const fontFolder = join(dirname(createRequire(import.meta.url).resolve('pdfmake/package.json')), 'fonts', 'Roboto')
  printer.addFonts({
    Roboto: { normal: join(fontFolder, 'Roboto-Regular.ttf'), bold: join(fontFolder, 'Roboto-Medium.ttf') },
  })
  // A sheet is made of what it is given: it fetches nothing, and reads nothing but its fonts.
  printer.setUrlAccessPolicy(() => false)
  printer.setLocalAccessPolicy((path) => path.startsWith(fontFolder))
  return printer
}

/** Sheets are asked for now and then, and what makes them is large: it is read with the first. */
let printer: Promise<typeof pdfmake> | undefined

/** A document as the package takes it. */
export type PdfDocument = Parameters<typeof pdfmake.createPdf>[0]

/** The paper of a workshop: Letter where inches are at home. */
export const pageOf = ({ lengthUnit }: { readonly lengthUnit: 'mm' | 'in' }): 'A4' | 'LETTER' =>
  lengthUnit === 'in' ? 'LETTER' : 'A4'

/** A document as a file to print. @param onShare called with how much is done, 0 to 1 */
export async function pdfOf(document: PdfDocument, onShare?: (share: number) => void): Promise<Uint8Array> {
  const made = await (printer ??= readPrinter())
  // The package tells how far it is to whoever asked last: one document is made at a time.
  made.setProgressCallback(onShare ?? (() => undefined))
  return made.createPdf(document).getBuffer()
}
