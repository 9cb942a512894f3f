import type { Endpoint, PathParameters } from './endpoint'
import type { Problem } from './views'

/** A reply other than success, with its problem details. Status 0: the server was not reached. */
export class ProblemError extends Error {
  readonly problem: Problem

  constructor(problem: Problem) {
    super(problem.detail)
    this.name = 'ProblemError'
    this.problem = problem
  }
}

export interface ClientOptions {
  /** Put before every path; empty in the browser. */
  readonly baseUrl?: string
  /** The maker who stands on every event. */
  readonly makerId?: () => string | undefined
  /** Says that it is a page of the workshop that asks, where somebody has signed in. */
  readonly token?: () => string | undefined
  readonly fetch?: typeof fetch
  /** So long an answer is waited for, ms; a network that swallows what is sent would keep it waiting for minutes. */
  readonly withinMs?: number
}

/** The header in which a page of the workshop sends its token, and the cookies that it reads it from. */
export const tokenHeader = 'X-Vendange-Token'
export const tokenCookies = { network: '__Host-vendange-token', here: 'vendange-seat-token' } as const

type CallArguments<Path extends string, Body> = ([keyof PathParameters<Path>] extends [never]
  ? object
  : { readonly params: PathParameters<Path> }) &
  ([Body] extends [undefined] ? { readonly rawBody?: Blob } : { readonly body: Body })

export type Client = <Path extends string, Body, Reply>(
  endpoint: Endpoint<Path, Body, Reply>,
  call?: CallArguments<Path, Body>,
) => Promise<Reply>

const unreachable: Problem = {
  type: 'about:blank',
  title: 'Not reached',
  status: 0,
  detail: 'The workshop’s server does not answer. What you typed is still here; it is tried again.',
}

/** Where an endpoint is, its parameters filled in; relative to the server. */
export function addressOf<Path extends string>(
  { path }: { readonly path: Path },
  params: PathParameters<Path>,
): string {
  const values = params as Readonly<Record<string, string>>
  return path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(values[name] ?? ''))
}

/** A client that calls any endpoint of the contract with its types. @returns a function that throws {@link ProblemError} */
export function createClient(options: ClientOptions = {}): Client {
  const {
    baseUrl = '',
    makerId = () => undefined,
    token = () => undefined,
    withinMs,
    fetch: send = (...request) => fetch(...request),
  } = options
  return async (endpoint, call) => {
    const { params, body, rawBody } = (call ?? {}) as {
      params?: PathParameters<typeof endpoint.path>
      body?: unknown
      rawBody?: Blob
    }
    const path = addressOf(endpoint, params ?? ({} as PathParameters<typeof endpoint.path>))
    const maker = makerId()
    const headers: Record<string, string> = maker === undefined ? {} : { 'X-Vendange-Maker': maker }
    const known = token()
    if (known !== undefined) headers[tokenHeader] = known
    if (body !== undefined) headers['Content-Type'] = 'application/json'
    if (rawBody) headers['Content-Type'] = rawBody.type
    let response: Response
    try {
      const content = rawBody ?? (body === undefined ? undefined : JSON.stringify(body))
      response = await send(baseUrl + path, {
        method: endpoint.method.toUpperCase(),
        headers,
        ...(content === undefined ? {} : { body: content }),
        ...(withinMs === undefined ? {} : { signal: AbortSignal.timeout(withinMs) }),
      })
    } catch {
      throw new ProblemError(unreachable)
    }
    if (response.ok) return (await response.json()) as never
    // What stands between may answer too, in words of its own or in none.
    const told = (await response.json().catch(() => undefined)) as Partial<Problem> | null | undefined
    throw new ProblemError({ ...unreachable, ...told, status: response.status })
  }
}
