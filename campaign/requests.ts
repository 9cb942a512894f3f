import type { Dice } from './dice'
import type { JsonSchema } from './messages'
import { hostileMessage, hostileText, soundMessage } from './messages'
import type { Thrown } from './send'
import type { Kept, WorkshopSeen } from './workshopSeen'

/** A route of the OpenAPI document. */
export interface Route {
  readonly method: string
  /** With `{names}`. */
  readonly path: string
  readonly body: JsonSchema | undefined
}

interface Document {
  readonly paths: Readonly<
    Record<
      string,
      Readonly<
        Record<
          string,
          {
            readonly requestBody?: {
              readonly content: { readonly 'application/json': { readonly schema: JsonSchema } }
            }
          }
        >
      >
    >
  >
}

/** A PIN would ask everybody for it from then on, and nothing more would be tried: it has tests of its own. */
const closing = /^\/api\/makers\/[^/]+\/pin$/

/** Every route that a document describes, but those that close the door. */
export const routesOf = (document: Document): readonly Route[] =>
  Object.entries(document.paths)
    .filter(([path]) => !closing.test(path))
    .flatMap(([path, methods]) =>
      Object.entries(methods).map(([method, { requestBody }]) => ({
        method: method.toUpperCase(),
        path,
        body: requestBody?.content['application/json'].schema,
      })),
    )

const hostileNames = [
  '..%2f..%2f',
  '%00',
  '%ED%A0%80',
  '%',
  '%E0%A4%A',
  'constructor',
  '__proto__',
  '-1',
  '1e999',
  '%20',
  'x'.repeat(3000),
]

function nameIn(dice: Dice, seen: WorkshopSeen, path: string, name: string): string {
  if (dice.chance(0.06)) return dice.one(hostileNames)
  if (name === 'designId') return seen.idOf('/api/designs')
  if (name === 'name') return dice.one(['scale', 'probe', 'toaster'])
  if (name === 'after') return dice.one(['0', '7', '-1', '1.5', 'x', '99999999999999999999'])
  if (name === 'text') return encodeURIComponent(dice.one(['Lantern', '%', '_', 'ß', '石', "'"]))
  const kind = /^\/api\/[a-z-]+/.exec(path)?.[0] ?? ''
  return seen.idOf(kind)
}

/** What is sent to a route: made from its schema, or from a thing of the kind that is there already. */
function messageFor(dice: Dice, { method, path, body }: Route, seen: WorkshopSeen, id: string): unknown {
  if (!body) return undefined
  const kind = /^\/api\/[a-z-]+(?=$|\/\{id\}$)/.exec(path)?.[0] ?? ''
  const things: readonly Kept[] = seen.kept[kind] ?? []
  const made = soundMessage(dice, body, seen)
  const isSame = things.length > 0 && Object.keys(body.properties ?? {}).length > 3 && dice.chance(0.7)
  const base = isSame ? (things.find((thing) => thing.id === id) ?? dice.one(things)) : made
  const fields = new Set(Object.keys(body.properties ?? {}))
  const message =
    isSame && fields.size > 0
      ? Object.fromEntries(Object.entries(base as object).filter(([name]) => fields.has(name)))
      : base
  // A few of its fields as the schema would have them.
  if (isSame && dice.chance(0.7)) {
    const field = dice.one([...fields])
    ;(message as Record<string, unknown>)[field] = (made as Record<string, unknown>)[field]
  }
  const isVersioned = method !== 'POST' || id !== '' || kind === '/api/workshop'
  if (isVersioned && typeof message === 'object' && message !== null && 'version' in message && dice.chance(0.95))
    return { ...message, version: seen.versionOf(id) }
  return message
}

const queries = [
  '',
  '',
  '?stock=x&count=2',
  '?count=1e9',
  '?count=0.3',
  '?stock[]=1&count[a]=2',
  '?count=2000000',
  '?x=%ED%A0%80',
]
const headerSets: readonly Readonly<Record<string, string>>[] = [
  { 'X-Vendange-Maker': 'nobody' },
  { 'X-Vendange-Maker': '__proto__' },
  { 'X-Vendange-Maker': '\u00ff'.repeat(300) },
  { 'Content-Type': 'text/plain' },
  { 'Content-Type': 'application/json; charset=utf-16' },
  { 'Content-Encoding': 'gzip' },
  { 'Content-Encoding': 'nonsense' },
  { Origin: 'http://elsewhere.example' },
  { 'Sec-Fetch-Site': 'cross-site' },
  { Range: 'bytes=0-1' },
  { 'If-None-Match': '*' },
  { Accept: 'nonsense' },
]

/**
 * One request to a route.
 *
 * @param hostility how likely it is spoiled somewhere, 0 to 1
 */
export function requestTo(dice: Dice, route: Route, seen: WorkshopSeen, hostility: number): Thrown {
  let id = ''
  const path = route.path.replaceAll(/\{(\w+)\}/g, (_, name: string) => {
    const found = nameIn(dice, seen, route.path, name)
    if (name === 'id') id = found
    return found
  })
  const message = messageFor(dice, route, seen, id)
  const isHostile = dice.chance(hostility)
  const way = isHostile ? dice.random() : 1
  const query = route.path.endsWith('.pdf') || (isHostile && dice.chance(0.1)) ? dice.one(queries) : ''
  const headers = {
    'X-Vendange-Maker': seen.makerId,
    ...(message === undefined ? {} : { 'Content-Type': 'application/json' }),
    ...(isHostile && dice.chance(0.15) ? dice.one(headerSets) : {}),
  }
  const said =
    message === undefined ? (isHostile && route.method !== 'GET' ? dice.one(['', 'x', '{}']) : undefined) : undefined
  const body =
    message === undefined
      ? said
      : way < 0.12
        ? hostileText(dice, message)
        : JSON.stringify(way < 1 ? hostileMessage(dice, message) : message)
  return { method: route.method, path: path + query, headers, ...(body === undefined ? {} : { body }) }
}
