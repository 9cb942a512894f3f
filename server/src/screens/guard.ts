import type { Endpoint } from '@vendange/contract'
import { allEndpoints, endpoints, mayRecordEvent, rolesOf, tokenHeader } from '@vendange/contract'
import type { LoafEvent } from '@vendange/core/loaf'
import type { Request, RequestHandler, Response } from 'express'
import type { TLSSocket } from 'node:tls'
import { HttpProblem } from '../parts/problems'
import type { Asking, ScreenService } from './screenService'
import { atTheComputer } from './screenService'
import { tokenOf } from './secrets'

/** Only over HTTPS and from this very name may a browser send it. */
export const cookieName = '__Host-vendange'

/** At the computer itself. Its address is plain HTTP, where no browser takes a name that asks for more. */
export const seatCookieName = 'vendange-seat'

const loopback = /^(::1$|127\.|::ffff:127\.)/

/** Whether a request came by the local network: encrypted, or at all from another address than the computer's own. */
export const isFromNetwork = ({ socket }: Pick<Request, 'socket'>): boolean =>
  (socket as TLSSocket).encrypted === true || !loopback.test(socket.remoteAddress ?? '')

const patternOf = ({ path }: Endpoint): RegExp =>
  new RegExp(`^${path.replaceAll('.', '\\.').replace(/:\w+/g, '[^/]+')}$`)
const routes = allEndpoints().map((endpoint) => ({ endpoint, pattern: patternOf(endpoint) }))

/** The endpoint that a request asks for; one without parameters before one with. */
export function endpointOf(method: string, path: string): Endpoint | undefined {
  const found = routes.filter(
    ({ endpoint, pattern }) => endpoint.method.toUpperCase() === method.replace('HEAD', 'GET') && pattern.test(path),
  )
  return (found.find(({ endpoint }) => !endpoint.path.includes(':')) ?? found[0])?.endpoint
}

/** The endpoint of a request, found once for all who ask. */
export function endpointAsked(request: Request, { locals }: Response): Endpoint | undefined {
  if (!('endpoint' in locals)) locals['endpoint'] = endpointOf(request.method, request.originalUrl.replace(/\?.*$/, ''))
  return locals['endpoint'] as Endpoint | undefined
}

const refusal = (status: 401 | 403, detail: string): HttpProblem =>
  new HttpProblem({ title: status === 401 ? 'Not let in' : 'Not for this screen', status, detail })

/** What a screen, or a browser of the computer itself, lets itself in by. */
export function secretOf(request: Request): string | undefined {
  const name = isFromNetwork(request) ? cookieName : seatCookieName
  const found = (request.get('Cookie') ?? '').split(/;\s*/).find((one) => one.startsWith(`${name}=`))
  return found?.slice(name.length + 1)
}

/** Who asks, once the guard has let them by. */
export const askingOf = (response: Response): Asking =>
  (response.locals['asking'] as Asking | undefined) ?? atTheComputer

/** Endpoints for which a screen need not have been let in. */
const open: ReadonlySet<Endpoint> = new Set<Endpoint>([endpoints.screens.pair, endpoints.screens.authority])
/** Endpoints for which nobody need have signed in. */
const unsigned: ReadonlySet<Endpoint> = new Set<Endpoint>([
  ...open,
  endpoints.screens.own,
  endpoints.screens.signIn,
  endpoints.screens.signOut,
  endpoints.health,
])

/** Reading changes nothing; signing in is what brings the token. */
const changesNothing: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS'])

/** Refuses a change that was not asked for by a page of ours, which knows the token. */
function refuseForged(request: Request, secret: string | undefined, endpoint: Endpoint | undefined): void {
  if (secret === undefined || changesNothing.has(request.method) || (endpoint && unsigned.has(endpoint))) return
  if (request.get(tokenHeader) !== tokenOf(secret))
    throw refusal(403, 'This did not come from a page of the workshop. Load the page anew.')
}

const notSignedIn = 'Sign in with your PIN first.'

/** Who asks at the computer itself: whoever sits there, until a maker has a PIN. */
async function askingHere(
  screens: ScreenService,
  secret: string | undefined,
  endpoint: Endpoint | undefined,
): Promise<Asking> {
  const asking = secret === undefined ? undefined : await screens.whoSits(secret)
  const isOpen = (endpoint !== undefined && unsigned.has(endpoint)) || asking !== undefined
  if (!isOpen && (await screens.isGuarded())) throw refusal(401, notSignedIn)
  return asking ?? atTheComputer
}

/** Who asks from the local network: a screen that was let in, doing what its role may. */
async function askingFar(
  screens: ScreenService,
  secret: string | undefined,
  endpoint: Endpoint | undefined,
): Promise<Asking> {
  const asking = secret === undefined ? undefined : await screens.whoHas(secret)
  if (!asking) throw refusal(401, 'This screen was not let in. Ask for a code at the workshop’s computer.')
  if (!endpoint || !rolesOf(endpoint).includes(asking.role))
    throw refusal(403, `A screen let in as ${asking.role} may not do this.`)
  if (!unsigned.has(endpoint) && asking.makerId === null) throw refusal(401, notSignedIn)
  return asking
}

/** Lets a screen of the local network do what its role may, by the one table of the contract, and the computer itself all. */
export function accessGuard(screens: ScreenService): RequestHandler {
  return async (request, response, next) => {
    const isFar = isFromNetwork(request)
    const endpoint = endpointAsked(request, response)
    if (isFar && endpoint && open.has(endpoint)) return next()
    const secret = secretOf(request)
    const asking = await (isFar ? askingFar : askingHere)(screens, secret, endpoint)
    // Whoever has not signed in has nothing that could be misused.
    if (asking.makerId !== null) refuseForged(request, secret, endpoint)
    response.locals['asking'] = asking
    // Whoever signed in stands on the record, whatever the page says.
    if (isFar || asking.makerId !== null) request.headers['x-vendange-maker'] = asking.makerId ?? ''
    next()
  }
}

/** What a helper or a stall may not write on a loaf's record is refused, whatever endpoint it comes by. */
export const eventGuard: RequestHandler = (request, response, next) => {
  const { role } = askingOf(response)
  if (endpointAsked(request, response) !== endpoints.loaves.record) return next()
  const { type } = (request.body ?? {}) as { readonly type?: LoafEvent['type'] }
  if (type === undefined || mayRecordEvent(role, type)) return next()
  throw refusal(403, `A screen let in as ${role} may not write this down.`)
}

/** On the local network a page is shown to screens that were let in; all others get the one that lets them in. */
export function pageGuard(screens: ScreenService): RequestHandler {
  return async (request, response, next) => {
    if (!isFromNetwork(request) || request.path === '/pair') return next()
    const secret = secretOf(request)
    if (secret !== undefined && (await screens.whoHas(secret))) return next()
    response.redirect('/pair')
  }
}

/** What is written down when it was done, whoever did it. */
const toldDeeds: readonly (readonly [Endpoint, (body: unknown) => string | undefined])[] = [
  [endpoints.archive.make, () => 'Took all out as an archive'],
  [endpoints.archive.take, () => 'Brought an archive back'],
  [endpoints.backups.restore, () => 'Put a backup back'],
  [
    endpoints.loaves.record,
    (body) => {
      const { type } = body as { readonly type?: unknown }
      return type === 'released' ? 'Released a loaf' : type === 'recalled' ? 'Called a loaf back' : undefined
    },
  ],
]

/** Writes down what was done, once it has been. */
export function deedKeeper(screens: ScreenService): RequestHandler {
  return (request, response, next) => {
    const endpoint = endpointAsked(request, response)
    const told = toldDeeds.find(([one]) => one === endpoint)?.[1](request.body ?? {})
    if (told !== undefined)
      response.once('finish', () => {
        const asking = askingOf(response)
        const makerId = asking.makerId ?? request.get('X-Vendange-Maker') ?? null
        if (response.statusCode < 400) void screens.write({ ...asking, makerId }, told).catch(() => undefined)
      })
    next()
  }
}
