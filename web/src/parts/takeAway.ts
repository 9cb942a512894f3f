import type { Endpoint } from '@vendange/contract'
import { act } from './act'
import { api } from './api'
import { useSeason } from './seasonStore'
import { useUndo } from './undoStore'

interface Kept {
  readonly id: string
  readonly name: string
  readonly version: number
}

type Versioned = Pick<Kept, 'id' | 'version'>

interface KeptRoutes<Path extends `${string}/:id`, Saved extends Versioned> {
  readonly remove: Endpoint<Path, { version: number }, Saved>
  readonly restore: Endpoint<`${Path}/restore`, { version: number }, Saved>
}

/** Takes a kept thing away, with undo instead of a question. @returns whether it is away */
export async function takeAway<Path extends `${string}/:id`, Saved extends Versioned>(
  routes: KeptRoutes<Path, Saved>,
  thing: Kept,
): Promise<boolean> {
  const send = (endpoint: Endpoint<string, { version: number }, Saved>, version: number) =>
    api(endpoint, { params: { id: thing.id }, body: { version } } as never)
  const removed = await act(() =>
    send(routes.remove as unknown as Endpoint<string, { version: number }, Saved>, thing.version),
  )
  if (!removed) return false
  useUndo().did(`${thing.name} taken away`, async () => {
    await send(routes.restore as unknown as Endpoint<string, { version: number }, Saved>, removed.version)
    await useSeason().load()
  })
  return true
}
