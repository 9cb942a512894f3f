import type { Problem } from '@vendange/contract'
import type { Say } from '@vendange/words'
import type { Refusal } from '../db/refusal'

export { notFound, refused, several, stale, unprocessable } from '../db/refusal'

/** An answer other than success that has no refusal behind it, such as a wrong origin. */
export class HttpProblem extends Error {
  override readonly name = 'HttpProblem'
  readonly problem: Problem

  constructor(problem: Omit<Problem, 'type'>) {
    super(problem.detail)
    this.problem = { type: 'about:blank', ...problem }
  }
}

const answers = {
  missing: { title: 'Not found', status: 404 },
  stale: { title: 'Changed meanwhile', status: 409 },
  impossible: { title: 'Not possible', status: 422 },
  busy: { title: 'Busy', status: 429 },
  away: { title: 'Not reached', status: 503 },
} as const

/** A refusal as it is answered over HTTP (RFC 9457), in the workshop's words. */
export function problemOfRefusal({ kind, told, errors, current }: Refusal, say: Say): Problem {
  return {
    type: 'about:blank',
    ...answers[kind],
    detail: say(told),
    ...(kind === 'impossible'
      ? { errors: errors.map(({ field, message }) => ({ field, message: say(message) })) }
      : {}),
    ...(current === undefined ? {} : { current }),
  }
}
