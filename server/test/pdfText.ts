import { extractText, getDocumentProxy } from 'unpdf'

/** The words of a PDF, page by page. */
export async function textOfPdf(bytes: Uint8Array): Promise<readonly string[]> {
  const { text } = await extractText(await getDocumentProxy(new Uint8Array(bytes)), { mergePages: false })
  return text
}
