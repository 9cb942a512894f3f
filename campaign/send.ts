import { Agent, request } from 'node:http'

/** One request as it goes over the wire. */
export interface Thrown {
  readonly method: string
  readonly path: string
  readonly headers: Readonly<Record<string, string>>
  readonly body?: string | Uint8Array
}

export interface Answer {
  readonly status: number
  readonly ms: number
  readonly bytes: Buffer
  readonly headers: Readonly<Record<string, string | readonly string[] | undefined>>
}

/** Sends a request and puts what came of it down. @returns the answer; undefined where there was none */
export type Throw = (thrown: Thrown) => Promise<Answer | undefined>

/** An answer that takes longer is a hang, ms. */
export const hangMs = 2000
const giveUpMs = 30_000
const agent = new Agent({ keepAlive: true, maxSockets: 16 })

/** Sends a request whatever it holds. @throws {Error} if the server does not answer at all */
export function send(url: string, thrown: Thrown): Promise<Answer> {
  const { method, path, headers, body } = thrown
  const { hostname, port } = new URL(url)
  const begun = performance.now()
  return new Promise((resolve, reject) => {
    const asked = request({ agent, hostname, port, method, path, headers }, (response) => {
      const chunks: Buffer[] = []
      response.on('data', (chunk: Buffer) => chunks.push(chunk))
      response.on('error', reject)
      // Readings of an instrument never end by themselves.
      if (response.headers['content-type']?.startsWith('text/event-stream')) response.destroy()
      response.on('close', () =>
        resolve({
          status: response.statusCode ?? 0,
          ms: performance.now() - begun,
          bytes: Buffer.concat(chunks),
          headers: response.headers,
        }),
      )
    })
    asked.setTimeout(giveUpMs, () => asked.destroy(new Error(`No answer in ${giveUpMs / 1000} s`)))
    asked.on('error', (error: NodeJS.ErrnoException) => {
      // A connection that was kept may be closed by the server just as it is used again: that is no answer, and no fault.
      if (asked.reusedSocket && error.code === 'ECONNRESET') send(url, thrown).then(resolve, reject)
      else reject(error)
    })
    asked.end(body)
  })
}

/** A request in a line, so that it can be sent again. */
export const asLine = ({ method, path, headers, body }: Thrown): string =>
  JSON.stringify({
    method,
    path,
    headers,
    body: typeof body === 'string' ? body.slice(0, 4000) : body && [...body.slice(0, 200)],
  })
