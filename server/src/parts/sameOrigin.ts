import type { RequestHandler } from 'express'
import type { TLSSocket } from 'node:tls'
import { HttpProblem } from './problems'

const loopback: readonly string[] = ['127.0.0.1', 'localhost', '[::1]']

/**
 * Lets only pages of this very address call the API: another site open in the same browser must not write here, nor a
 * name made to point at this computer's address.
 *
 * @param networkHosts names and addresses, with their port, by which the workshop is found on the local network
 */
export const sameOriginOnly =
  (networkHosts: () => readonly string[]): RequestHandler =>
  (request, _response, next) => {
    const isEncrypted = (request.socket as TLSSocket).encrypted === true
    const origin = request.get('Origin')
    const host = request.get('Host') ?? ''
    const isKnown = isEncrypted
      ? networkHosts().includes(host.toLowerCase())
      : loopback.includes(host.replace(/:\d+$/, ''))
    // "none": asked for by hand, in the address line or by a calendar. Who says nothing is no browser of today.
    const cameFrom = request.get('Sec-Fetch-Site') ?? 'none'
    const isOwn =
      (origin === undefined || origin === `${isEncrypted ? 'https' : 'http'}://${host}`) &&
      ['same-origin', 'none'].includes(cameFrom)
    if (isOwn && isKnown) return next()
    throw new HttpProblem({
      title: 'Not from here',
      status: 403,
      detail: 'Open Vendange at the address it printed when it started.',
    })
  }
