import { addressOf, createClient, endpoints, ProblemError, tokenCookies } from '@vendange/contract'
import type { Client, Problem } from '@vendange/contract'
import { noting } from './reach'

const makerKey = 'vendange.maker'

/** Id of the maker at work on this device. */
export const storedMakerId = (): string | undefined => localStorage.getItem(makerKey) ?? undefined
export const storeMakerId = (id: string): void => localStorage.setItem(makerKey, id)

/** What tells the server that a page of its own asks; undefined where nobody has signed in. */
export function pageToken(): string | undefined {
  if (typeof document === 'undefined') return undefined
  const names = Object.values(tokenCookies).map((name) => `${name}=`)
  const found = document.cookie.split('; ').find((one) => names.some((name) => one.startsWith(name)))
  return found?.slice(found.indexOf('=') + 1)
}

const pairPath = '/pair'
const notLetIn = 401

/** A client of this page. A screen that is not let in any more goes where it can be. */
function clientOfPage(withinMs?: number): Client {
  const client = createClient({
    makerId: storedMakerId,
    token: pageToken,
    fetch: noting,
    ...(withinMs === undefined ? {} : { withinMs }),
  })
  return async (endpoint, call) => {
    try {
      return await client(endpoint, call)
    } catch (error) {
      const isOut = error instanceof ProblemError && error.problem.status === notLetIn
      if (isOut && window.location.pathname !== pairPath) window.location.assign(pairPath)
      throw error
    }
  }
}

/** Calls the workshop's server. Throws `ProblemError`. */
export const api = clientOfPage()

/** So long an instrument may take to hear a command, ms; an estimate. */
const instrumentMs = 10_000
/** Calls the workshop's server for something at the bench that nobody waits long for. Throws `ProblemError`. */
export const apiAtOnce = clientOfPage(instrumentMs)

/** The problem behind an error; an error that is no problem is thrown on. */
export function problemOf(error: unknown): Problem {
  if (error instanceof ProblemError) return error.problem
  throw error
}

/** Where a photograph is, for a picture on the page. */
export const photoAddress = (photoId: string): string => addressOf(endpoints.loaves.photo, { id: photoId })
