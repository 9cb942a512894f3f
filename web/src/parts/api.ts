import { addressOf, createClient, endpoints, ProblemError } from '@vendange/contract'
import type { Problem } from '@vendange/contract'

const makerKey = 'vendange.maker'

/** Id of the maker at work on this device. */
export const storedMakerId = (): string | undefined => localStorage.getItem(makerKey) ?? undefined
export const storeMakerId = (id: string): void => localStorage.setItem(makerKey, id)

/** Calls the workshop's server. Throws `ProblemError`. */
export const api = createClient({ makerId: storedMakerId })

/** The problem behind an error; an error that is no problem is thrown on. */
export function problemOf(error: unknown): Problem {
  if (error instanceof ProblemError) return error.problem
  throw error
}

/** Where a photograph is, for a picture on the page. */
export const photoAddress = (photoId: string): string => addressOf(endpoints.loaves.photo, { id: photoId })
