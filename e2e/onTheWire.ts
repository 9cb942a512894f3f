import type { Page } from '@playwright/test'

/** What a first view took over the wire, headers and all, bytes. */
export interface OnTheWire {
  readonly document: number
  readonly script: number
  readonly style: number
  readonly font: number
  /** HTML, script, style and fonts together: what any page needs before it shows something. */
  readonly all: number
  /** What the view asked the workshop for. */
  readonly data: number
}

interface Received {
  readonly requestId: string
  readonly type: string
  readonly response: { readonly url: string }
}

interface Finished {
  readonly requestId: string
  readonly encodedDataLength: number
}

/** Opens a page and counts what comes over the wire until nothing more does. */
export async function bytesOnTheWire(page: Page, url: string): Promise<OnTheWire> {
  const session = await page.context().newCDPSession(page)
  const kinds = new Map<string, string>()
  const bytes = new Map<string, number>()
  session.on('Network.responseReceived', ({ requestId, type, response }: Received) =>
    kinds.set(requestId, response.url.includes('/api/') ? 'Data' : type),
  )
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }: Finished) => {
    const kind = kinds.get(requestId) ?? 'Other'
    bytes.set(kind, (bytes.get(kind) ?? 0) + encodedDataLength)
  })
  await session.send('Network.enable')
  await page.goto(url, { waitUntil: 'networkidle' })
  const of = (kind: string): number => bytes.get(kind) ?? 0
  const [document, script, style, font] = [of('Document'), of('Script'), of('Stylesheet'), of('Font')]
  return { document, script, style, font, data: of('Data'), all: document + script + style + font }
}
