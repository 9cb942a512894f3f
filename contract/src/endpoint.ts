type PathParameter<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | PathParameter<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never

/** Values for the `:names` in a path. */
export type PathParameters<Path extends string> = Readonly<Record<PathParameter<Path>, string>>

/**
 * One route: what the server serves, the client calls and the OpenAPI document lists. The schemas of its messages stand in
 * `messages.ts`, so that a page that only asks carries none of them.
 */
export interface Endpoint<Path extends string = string, Body = unknown, Reply = unknown> {
  readonly method: 'get' | 'post' | 'put' | 'delete'
  readonly path: Path
  readonly summary: string
  /** Status of success. */
  readonly status: 200 | 201
  /** Whether it takes a message, which its schema checks. */
  readonly takesMessage: boolean
  /** Phantoms: carry types, never values. */
  readonly bodyType?: Body
  readonly replyType?: Reply
}

/** An endpoint that takes nothing and whose reply is still to be named. */
const make =
  (method: Endpoint['method'], status: Endpoint['status']) =>
  <Reply = undefined>() =>
  <Path extends string>(path: Path, summary: string): Endpoint<Path, undefined, Reply> => ({
    method,
    status,
    path,
    summary,
    takesMessage: false,
  })

export const get = make('get', 200)
export const create = make('post', 201)
export const post = make('post', 200)
export const put = make('put', 200)
export const remove = make('delete', 200)

/** An endpoint that takes a message. */
export const taking =
  <Body>() =>
  <Path extends string, Reply>(endpoint: Endpoint<Path, undefined, Reply>): Endpoint<Path, Body, Reply> => {
    const { method, status, path, summary } = endpoint
    return { method, status, path, summary, takesMessage: true }
  }

/** What is sent of a thing that is there already: under which version it was read. */
export interface OfVersion {
  readonly version: number
}

/** The four calls that everything kept under a version answers: create, change, take away, bring back. */
export function repositoryEndpoints<New, Saved>() {
  return <Path extends string>(path: Path, noun: string) => ({
    create: taking<New>()(create<Saved>()(path, `Create a ${noun}`)),
    update: taking<New & OfVersion>()(put<Saved>()(`${path}/:id` as const, `Change a ${noun}`)),
    remove: taking<OfVersion>()(remove<Saved>()(`${path}/:id` as const, `Take a ${noun} away; it can be brought back`)),
    restore: taking<OfVersion>()(post<Saved>()(`${path}/:id/restore` as const, `Bring a ${noun} back`)),
  })
}
