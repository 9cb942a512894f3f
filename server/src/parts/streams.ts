import type { Response } from 'express'

const open = new Set<Response>()
/** A connection that nobody holds any more is found out by writing to it, ms. */
const stillThereMs = 20_000

/** Ends every stream, so that the server can close. */
export function endStreams(): void {
  for (const response of open) response.end()
}

/**
 * Begins an answer that goes on in server-sent events, until either side ends it.
 *
 * @param begin starts what is told, an event a line; returns what stops it
 */
export function stream(response: Response, begin: (tell: (data: string) => void) => () => void): void {
  response.writeHead(200, { 'Content-Type': 'text/event-stream' })
  response.flushHeaders()
  open.add(response)
  const stop = begin((data) => response.write(`data: ${data}\n\n`))
  const stillThere = setInterval(() => response.write(':\n\n'), stillThereMs).unref()
  response.on('close', () => {
    clearInterval(stillThere)
    stop()
    open.delete(response)
  })
}
