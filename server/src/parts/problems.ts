import type { Problem } from '@vendange/contract'
import type { Finding } from '@vendange/core/findings'

/** An answer other than success that the caller can understand and mend. */
export class HttpProblem extends Error {
  override readonly name = 'HttpProblem'
  readonly problem: Problem

  constructor(problem: Omit<Problem, 'type'>) {
    super(problem.detail)
    this.problem = { type: 'about:blank', ...problem }
  }
}

export const notFound = (detail: string): HttpProblem => new HttpProblem({ title: 'Not found', status: 404, detail })

/** What is asked is understood but may not be done, such as a pour on a past day. */
export const unprocessable = (detail: string, errors: Problem['errors'] = []): HttpProblem =>
  new HttpProblem({ title: 'Not possible', status: 422, detail, errors })

/** The refusals among findings as one problem. */
export function refused(findings: readonly Finding[]): HttpProblem {
  const refusals = findings.filter(({ severity }) => severity === 'refuse')
  return unprocessable(
    refusals.map(({ message }) => message).join(' '),
    refusals.map(({ field = '', message }) => ({ field, message })),
  )
}

/** Somebody else changed the thing meanwhile; `current` is how it stands now. */
export const stale = (noun: string, current: unknown): HttpProblem =>
  new HttpProblem({
    title: 'Changed meanwhile',
    status: 409,
    detail: `This ${noun} was changed meanwhile, perhaps in another window. Choose which values to keep.`,
    current,
  })
