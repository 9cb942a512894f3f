import type { Finding, Param, Sentence } from '@vendange/core/findings'
import { sentence, sentences } from '@vendange/core/findings'

/** What is wrong with one field of what was asked. */
export interface FieldError {
  readonly field: string
  readonly message: Sentence
}

/**
 * Why something that was understood is not done: the thing is missing, it was changed meanwhile, or it cannot be. What an
 * answer over HTTP looks like is not known here.
 */
export class Refusal extends Error {
  override readonly name = 'Refusal'

  constructor(
    readonly kind: 'missing' | 'stale' | 'impossible' | 'busy' | 'away',
    readonly told: Sentence,
    readonly errors: readonly FieldError[] = [],
    /** Of a stale thing how it stands now. */
    readonly current?: unknown,
  ) {
    super(told.code)
  }
}

export const notFound = (detail: Sentence): Refusal => new Refusal('missing', detail)

/** What is asked is understood but may not be done, such as a pour on a past day. */
export const unprocessable = (detail: Sentence, errors: readonly FieldError[] = []): Refusal =>
  new Refusal('impossible', detail, errors)

/** The refusals among findings as one. */
export function refused(findings: readonly Finding[]): Refusal {
  const refusals = findings.filter(({ severity }) => severity === 'refuse')
  return unprocessable(
    several(refusals),
    refusals.map(({ field = '', ...message }) => ({ field, message })),
  )
}

/** Sentences told as one. */
export const several = (told: readonly Param[]): Sentence => sentence('several', { sentences: sentences(...told) })

/** Somebody else changed the thing meanwhile; `current` is how it stands now. */
export const stale = (noun: string, current: unknown): Refusal =>
  new Refusal('stale', sentence('changed_meanwhile', { thing: noun }), [], current)
