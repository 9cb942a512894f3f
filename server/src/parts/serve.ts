import { sentence } from '@vendange/core/findings'
import type { Endpoint, PathParameters, Problem } from '@vendange/contract'
import { bodySchemaOf, faultsOf, idPattern, ValidationError } from '@vendange/contract'
import type { Say } from '@vendange/words'
import type { ErrorRequestHandler, Request, Response, Router } from 'express'
import type { Logger } from 'pino'
import { Refusal } from '../db/refusal'
import { asLogged } from './logging'
import { mendingOnce } from './mendingOnce'
import { HttpProblem, problemOfRefusal, unprocessable } from './problems'
import type { ReadJson } from './reading'

/** What a handler gets of a request, already checked against the contract. */
export interface Call<Path extends string, Body> {
  readonly params: PathParameters<Path>
  readonly body: Body
  /** Id of the maker at work. @throws 422 if none is chosen */
  readonly makerId: () => string
  readonly request: Request
  readonly response: Response
}

function makerIdOf(request: Request): string {
  const id = request.get('X-Vendange-Maker') ?? ''
  if (!idPattern.test(id))
    throw unprocessable(sentence('choose_maker'), [{ field: 'maker', message: sentence('choose_maker') }])
  return id
}

/** What the application keeps for its routes. */
export interface AppLocals {
  /** Mends what is damaged in the database. @returns in how many rows something was */
  readonly mend: () => Promise<number>
}

/** Does the work of a request, once more where only damaged rows stood in its way. */
export const worked = <T>(request: Request, work: () => Promise<T>): Promise<T> =>
  mendingOnce((request.app.locals as AppLocals).mend, isOfCaller, work)

/** Answers an endpoint of the contract whose body is held against its schema first. */
function answer<Path extends string, Body, Reply>(
  router: Router,
  endpoint: Endpoint<Path, Body, Reply>,
  handle: (call: Call<Path, Body>, response: Response) => Promise<void>,
): void {
  const schema = bodySchemaOf(endpoint)
  if (endpoint.takesMessage && !schema) throw new Error(`Expected a schema for what ${endpoint.path} takes`)
  router[endpoint.method](endpoint.path, async (request, response) => {
    const body = await schema?.validate(request.body, { strict: true, abortEarly: false })
    const call = {
      params: request.params as PathParameters<Path>,
      body: body as Body,
      makerId: () => makerIdOf(request),
      request,
      response,
    }
    await handle(call, response)
  })
}

/** Serves an endpoint of the contract: validates the body by its schema, answers what the handler returns as JSON. */
export function serve<Path extends string, Body, Reply>(
  router: Router,
  endpoint: Endpoint<Path, Body, Reply>,
  handle: (call: Call<Path, Body>) => Promise<Reply>,
): void {
  answer(router, endpoint, async (call, response) => {
    response.status(endpoint.status).json(await worked(call.request, () => handle(call)))
  })
}

/** As {@link serve}, of what is read beside this thread: it goes out as it comes from there. */
export function serveReading<Path extends string, Body, Reply>(
  router: Router,
  endpoint: Endpoint<Path, Body, Reply>,
  handle: (call: Call<Path, Body>) => Promise<ReadJson<Reply>>,
): void {
  answer(router, endpoint, async (call, response) => {
    const { json } = await handle(call)
    response.status(endpoint.status).type('json').send(json)
  })
}

/** A file as it is answered. */
export interface FileReply {
  readonly type: string
  readonly content: Buffer | string
  /** @default none besides those of every answer */
  readonly headers?: Readonly<Record<string, string>>
}

/** Serves an endpoint that answers a file: a sheet to print, a picture, a calendar. */
export function serveFile<Path extends string>(
  router: Router,
  { path }: Endpoint<Path, undefined, Blob>,
  handle: (call: Pick<Call<Path, undefined>, 'params' | 'request'>) => Promise<FileReply>,
): void {
  router.get(path, async (request, response) => {
    const call = { params: request.params as PathParameters<Path>, request }
    const { type, content, headers = {} } = await worked(request, () => handle(call))
    response.type(type).set(headers).send(content)
  })
}

/** Whether the database refused a row because what it points at is not there. */
function isMissingReference(error: unknown): boolean {
  if (!(error instanceof Error)) return false
  const { message, cause } = error
  return message.includes('FOREIGN KEY constraint failed') || isMissingReference(cause)
}

/** Whether the database could not write because the disk is full. */
function isDiskFull(error: unknown): boolean {
  if (!(error instanceof Error)) return false
  const { message, cause } = error
  return message.includes('database or disk is full') || message.includes('ENOSPC') || isDiskFull(cause)
}

/** Whether a fault is the caller's, or the disk's, and none of what is kept. */
const isOfCaller = (error: unknown): boolean => problemOf(error, ({ code }) => code) !== undefined

function problemOf(error: unknown, say: Say): Problem | undefined {
  if (error instanceof HttpProblem) return error.problem
  if (error instanceof Refusal) return problemOfRefusal(error, say)
  if (error instanceof ValidationError) {
    const errors = faultsOf(error).map(({ field, fault }) => ({ field, message: say(fault) }))
    return {
      type: 'about:blank',
      title: 'Not valid',
      status: 400,
      detail: errors.map(({ message }) => message).join(' '),
      errors,
    }
  }
  if (isMissingReference(error)) {
    return {
      type: 'about:blank',
      title: 'Not possible',
      status: 422,
      detail: say(sentence('gone_meanwhile')),
    }
  }
  if (isDiskFull(error)) {
    return {
      type: 'about:blank',
      title: 'No room',
      status: 507,
      detail: say(sentence('disk_full')),
    }
  }
  // Express and its body parser mark what the caller did wrong with a status below 500.
  if (error instanceof Error && 'status' in error && typeof error.status === 'number' && error.status < 500) {
    const tooLarge = error.status === 413
    return {
      type: 'about:blank',
      title: tooLarge ? 'Too large' : 'Not understood',
      status: error.status,
      detail: say(tooLarge ? sentence('too_large_to_take') : sentence('request_unread')),
    }
  }
  return undefined
}

/** Turns every error into problem JSON (RFC 9457). What is our own fault is logged and not told. */
export function problemHandler(logger: Logger, sayNow: () => Promise<Say>): ErrorRequestHandler {
  return async (error, _request, response, next) => {
    if (response.headersSent) return next(error)
    const sayIn = await sayNow()
    const say: Say = (told) => {
      try {
        return sayIn(told)
      } catch (fault) {
        // What is wrong is told all the same, if not in figures.
        logger.error(asLogged(fault))
        return sayIn(sentence('cannot_be_right'))
      }
    }
    const problem = problemOf(error, say)
    if (!problem) logger.error(asLogged(error))
    const answer = problem ?? {
      type: 'about:blank',
      title: 'Our fault',
      status: 500,
      detail: say(sentence('our_fault')),
    }
    response.status(answer.status).type('application/problem+json').send(JSON.stringify(answer))
  }
}
