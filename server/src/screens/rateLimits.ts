import { endpoints } from '@vendange/contract'
import type { Request, RequestHandler } from 'express'
import { rateLimit } from 'express-rate-limit'
import { HttpProblem } from '../parts/problems'
import { isFromNetwork } from './guard'

const minuteMs = 60_000
interface Limit {
  readonly asked: (request: Request) => boolean
  /** So many from one address of the network in a window. */
  readonly most: number
  readonly windowMs: number
}

const signIns: readonly string[] = [endpoints.screens.signIn.path, endpoints.screens.pair.path]
const pathOf = ({ originalUrl }: Request): string => originalUrl.replace(/\?.*$/, '')

/** What costs most to answer, or is worth guessing at. Wrong PINs are locked besides, each maker's by itself. */
export const limits: Readonly<Record<'signIn' | 'sheets' | 'archive', Limit>> = {
  signIn: { asked: (request) => signIns.includes(pathOf(request)), most: 120, windowMs: 5 * minuteMs },
  sheets: { asked: (request) => pathOf(request).endsWith('.pdf'), most: 60, windowMs: minuteMs },
  archive: {
    asked: (request) => pathOf(request).startsWith(endpoints.archive.make.path),
    most: 30,
    windowMs: minuteMs,
  },
}

/** Asks an address of the network to come again later that asks for much at once. The computer itself is never held up. */
export const rateLimits = (): readonly RequestHandler[] =>
  Object.values(limits).map(({ asked, most, windowMs }) =>
    rateLimit({
      limit: most,
      windowMs,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      skip: (request) => !isFromNetwork(request) || !asked(request),
      handler: () => {
        throw new HttpProblem({
          title: 'Too much at once',
          status: 429,
          detail: 'Too much was asked for from here in a short time. Wait a few minutes.',
        })
      },
    }),
  )
