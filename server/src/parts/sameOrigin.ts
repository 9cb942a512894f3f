import type { RequestHandler } from 'express'
import { HttpProblem } from './problems'

/**
 * Lets only pages of this very address call the API: another site open in the same browser must not write here, nor a
 * name made to point at the loopback address.
 */
export const sameOriginOnly: RequestHandler = (request, _response, next) => {
  const origin = request.get('Origin')
  const hostName = (request.get('Host') ?? '').replace(/:\d+$/, '')
  // "none": asked for by hand, in the address line or by a calendar. Who says nothing is no browser of today.
  const cameFrom = request.get('Sec-Fetch-Site') ?? 'none'
  const isOwn =
    (origin === undefined || origin === `http://${request.get('Host')}`) && ['same-origin', 'none'].includes(cameFrom)
  if (isOwn && ['127.0.0.1', 'localhost', '[::1]'].includes(hostName)) return next()
  throw new HttpProblem({
    title: 'Not from here',
    status: 403,
    detail: 'Open Vendange at the address it printed when it started.',
  })
}
