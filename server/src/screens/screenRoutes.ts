import { endpoints, tokenCookies } from '@vendange/contract'
import type { Request, Response, Router } from 'express'
import { serve, serveFile } from '../parts/serve'
import type { Door } from './door'
import { askingOf, cookieName, isFromNetwork, seatCookieName, secretOf } from './guard'
import type { ScreenService } from './screenService'
import { tokenOf } from './secrets'

/** A year: a screen stays let in until it is put out. */
const cookieMs = 365 * 24 * 3600_000

const cookie = { httpOnly: true, sameSite: 'strict', path: '/', maxAge: cookieMs } as const

/** The computer's own address is plain HTTP: what lets in there goes nowhere else. */
function hand(request: Request, response: Response, secret: string): void {
  const secure = isFromNetwork(request)
  response.cookie(secure ? cookieName : seatCookieName, secret, { ...cookie, secure })
  // The page reads this one, and sends it back in a header of its own.
  response.cookie(secure ? tokenCookies.network : tokenCookies.here, tokenOf(secret), {
    ...cookie,
    httpOnly: false,
    secure,
  })
}

export function screenRoutes(router: Router, screens: ScreenService, door: Door): void {
  const { own, list, invite, pair, signIn, signOut, putOut, setPin, network, deeds, authority } = endpoints.screens
  serve(router, own, ({ response }) => screens.own(askingOf(response)))
  serve(router, list, () => screens.list())
  serve(router, network, ({ body, response }) => screens.network(askingOf(response), body.isOpen))
  serve(router, invite, ({ body, response }) => screens.invite(askingOf(response), body))
  serve(router, pair, async ({ body, request, response }) => {
    const { secret, asking } = await screens.pair(body.code)
    hand(request, response, secret)
    return screens.own(asking)
  })
  serve(router, signIn, async ({ body, request, response }) => {
    const { secret, asking } = await screens.signIn(askingOf(response), body.makerId, body.pin)
    hand(request, response, secret)
    return screens.own(asking)
  })
  serve(router, signOut, async ({ request, response }) =>
    screens.own(await screens.signOut(askingOf(response), secretOf(request))),
  )
  serve(router, putOut, ({ params, response }) => screens.putOut(askingOf(response), params.id))
  serve(router, setPin, async ({ params, body, request, response }) => {
    const wasGuarded = await screens.isGuarded()
    const view = await screens.setPin(askingOf(response), params.id, body.pin)
    // Who gives the first PIN knows it: from now on the computer asks for one as well.
    if (!wasGuarded && !isFromNetwork(request)) hand(request, response, await screens.takeSeat(params.id))
    return view
  })
  serve(router, deeds, () => screens.deeds())
  serveFile(router, authority, async () => ({
    type: 'application/x-x509-ca-cert',
    content: await door.authority(),
    headers: { 'Content-Disposition': 'attachment; filename="vendange-workshop.crt"' },
  }))
}
