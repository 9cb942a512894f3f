/** Which answers of the server are kept on the device, and under which address. */
export const answerName = 'vendange-answers'
export const pageName = '/vendange-page'
/** Says of an answer that it is one that was kept, and since when. */
export const keptSince = 'X-Vendange-Kept'

const kept = [
  /^\/api\/season$/,
  /^\/api\/stores$/,
  /^\/api\/room$/,
  /^\/api\/loaves(\/[^/]+)?$/,
  /^\/api\/batches\/[^/]+$/,
  /^\/api\/screens\/own$/,
]

/** Whether what is read at a path is kept for when the network is gone. */
export const isKept = (path: string): boolean => kept.some((pattern) => pattern.test(path))

/** Where what is answered to a message stands from then on; undefined for one that nothing kept hangs on. */
export function keptAddress(path: string): string | undefined {
  return /^(\/api\/(?:batches\/[^/]+(?=\/steps$)|loaves\/[^/]+(?=\/events$)))/.exec(path)?.[1]
}

/** An answer that was kept, marked with the moment it came. */
export function answerOf(answer: Response | undefined): Response | undefined {
  if (!answer) return undefined
  const headers = new Headers(answer.headers)
  headers.set(keptSince, answer.headers.get('Date') ?? '')
  return new Response(answer.body, { status: answer.status, headers })
}
