import type { ISchema } from 'yup'

type PathParameter<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | PathParameter<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never

/** Values for the `:names` in a path. */
export type PathParameters<Path extends string> = Readonly<Record<PathParameter<Path>, string>>

/** One route: what the server serves, the client calls and the OpenAPI document lists. */
export interface Endpoint<Path extends string = string, Body = unknown, Reply = unknown> {
  readonly method: 'get' | 'post' | 'put' | 'delete'
  readonly path: Path
  readonly summary: string
  /** Status of success. */
  readonly status: 200 | 201 | 204
  readonly body?: ISchema<Body>
  /** Shape of the reply where a schema describes it. */
  readonly reply?: ISchema<Reply>
  /** Phantom: carries the type of the reply, never a value. */
  readonly replyType?: Reply
}

interface EndpointParts<Path extends string, Body, Reply> {
  readonly path: Path
  readonly summary: string
  readonly body?: ISchema<Body>
  readonly reply?: ISchema<Reply>
}

const make =
  (method: Endpoint['method'], status: Endpoint['status']) =>
  <Reply = undefined>() =>
  <Path extends string, Body = undefined>(parts: EndpointParts<Path, Body, Reply>): Endpoint<Path, Body, Reply> => ({
    method,
    status,
    ...parts,
  })

export const get = make('get', 200)
export const create = make('post', 201)
export const post = make('post', 200)
export const put = make('put', 200)
export const remove = make('delete', 200)
