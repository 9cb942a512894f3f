import { endpoints } from '@vendange/contract'
import type { Response, Router } from 'express'
import { serve, serveFile } from '../parts/serve'
import type { Door } from './door'
import { askingOf, cookieName } from './guard'
import type { ScreenService } from './screenService'

/** A year: a screen stays let in until it is put out. */
const cookieMs = 365 * 24 * 3600_000

function hand(response: Response, secret: string): void {
  response.cookie(cookieName, secret, { httpOnly: true, secure: true, sameSite: 'strict', path: '/', maxAge: cookieMs })
}

export function screenRoutes(router: Router, screens: ScreenService, door: Door): void {
  const { own, list, invite, pair, signIn, signOut, putOut, setPin, network, deeds, authority } = endpoints.screens
  serve(router, own, ({ response }) => screens.own(askingOf(response)))
  serve(router, list, () => screens.list())
  serve(router, network, ({ body, response }) => screens.network(askingOf(response), body.isOpen))
  serve(router, invite, ({ body, response }) => screens.invite(askingOf(response), body))
  serve(router, pair, async ({ body, response }) => {
    const { secret, asking } = await screens.pair(body.code)
    hand(response, secret)
    return screens.own(asking)
  })
  serve(router, signIn, async ({ body, response }) => {
    const { secret, asking } = await screens.signIn(askingOf(response), body.makerId, body.pin)
    hand(response, secret)
    return screens.own(asking)
  })
  serve(router, signOut, async ({ response }) => screens.own(await screens.signOut(askingOf(response))))
  serve(router, putOut, ({ params, response }) => screens.putOut(askingOf(response), params.id))
  serve(router, setPin, ({ params, body, response }) => screens.setPin(askingOf(response), params.id, body.pin))
  serve(router, deeds, () => screens.deeds())
  serveFile(router, authority, async () => ({
    type: 'application/x-x509-ca-cert',
    content: await door.authority(),
    headers: { 'Content-Disposition': 'attachment; filename="vendange-workshop.crt"' },
  }))
}
