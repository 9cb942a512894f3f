import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import pdfmake from 'pdfmake'

// The fonts that come with the package.
const fontFolder = join(dirname(createRequire(import.meta.url).resolve('pdfmake/package.json')), 'fonts', 'Roboto')
pdfmake.addFonts({
  Roboto: { normal: join(fontFolder, 'Roboto-Regular.ttf'), bold: join(fontFolder, 'Roboto-Medium.ttf') },
})
// A sheet is made of what it is given: it fetches nothing, and reads nothing but its fonts.
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path) => path.startsWith(fontFolder))

/** A document as the package takes it. */
export type PdfDocument = Parameters<typeof pdfmake.createPdf>[0]

/** The paper of a workshop: Letter where inches are at home. */
export const pageOf = ({ lengthUnit }: { readonly lengthUnit: 'mm' | 'in' }): 'A4' | 'LETTER' =>
  lengthUnit === 'in' ? 'LETTER' : 'A4'

/** A document as a file to print. */
export const pdfOf = (document: PdfDocument): Promise<Buffer> => pdfmake.createPdf(document).getBuffer()
