import type { Database } from './database'

/**
 * A view that many ask for and that changes little between: read anew only after a write, or when it is of another day.
 *
 * @param isCurrent whether what was read before is of today
 */
export function cachedView<View>(
  database: Pick<Database, 'revision'>,
  isCurrent: (view: View) => boolean | Promise<boolean>,
  read: () => Promise<View>,
): () => Promise<View> {
  let kept: { readonly revision: number; readonly view: View } | undefined
  return async () => {
    const revision = database.revision()
    if (kept?.revision !== revision || !(await isCurrent(kept.view))) kept = { revision, view: await read() }
    return kept.view
  }
}
