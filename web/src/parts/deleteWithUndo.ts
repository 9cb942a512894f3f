import type { Endpoint } from '@vendange/contract'
import { runChange } from './runChange'
import { api } from './api'
import { useSeason } from './seasonStore'
import { useUndo } from './undoStore'

interface Deletable {
  readonly id: string
  readonly name: string
  readonly version: number
  /** It is in use: it goes to the archive, where it is found again. */
  readonly isInUse?: boolean
}

type Versioned = Pick<Deletable, 'id' | 'version'>

interface DeletionRoutes<Path extends `${string}/:id`, Saved extends Versioned> {
  readonly remove: Endpoint<Path, { version: number }, Saved>
  readonly restore: Endpoint<`${Path}/restore`, { version: number }, Saved>
}

/** Takes a thing away, with undo instead of a question. @returns whether it is away */
export async function deleteWithUndo<Path extends `${string}/:id`, Saved extends Versioned>(
  routes: DeletionRoutes<Path, Saved>,
  thing: Deletable,
): Promise<boolean> {
  const send = (endpoint: Endpoint<string, { version: number }, Saved>, version: number) =>
    api(endpoint, { params: { id: thing.id }, body: { version } } as never)
  const removed = await runChange(() =>
    send(routes.remove as unknown as Endpoint<string, { version: number }, Saved>, thing.version),
  )
  if (!removed) return false
  useUndo().did(`${thing.name} ${thing.isInUse ? 'archived' : 'taken away'}`, async () => {
    await send(routes.restore as unknown as Endpoint<string, { version: number }, Saved>, removed.version)
    await useSeason().load()
  })
  return true
}
