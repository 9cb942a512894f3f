import type { Endpoint } from '@vendange/contract'
import type { Router } from 'express'
import type { Versioned, VersionedRepository } from '../db/versionedRepository'
import { serve } from './serve'

type WithId = `${string}/:id` | `${string}/:id/restore`

/** Serves the four calls of a kind of kept thing. */
export function serveRepository<New extends object, Saved extends Versioned>(
  router: Router,
  routes: {
    readonly create: Endpoint<string, New, Saved>
    readonly update: Endpoint<WithId, New & { version: number }, Saved>
    readonly remove: Endpoint<WithId, { version: number }, Saved>
    readonly restore: Endpoint<WithId, { version: number }, Saved>
  },
  things: VersionedRepository<New, Saved>,
): void {
  const idOf = (params: object): string => (params as { readonly id: string }).id
  serve(router, routes.create, ({ body }) => things.create(body))
  serve(router, routes.update, ({ params, body }) => things.update(idOf(params), body))
  serve(router, routes.remove, ({ params, body }) => things.remove(idOf(params), body.version))
  serve(router, routes.restore, ({ params, body }) => things.restore(idOf(params), body.version))
}
