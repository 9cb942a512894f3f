import type { Client } from '@libsql/client'

/** A connection behind which the file may be changed while others hold on to it. */
export interface ChangeableClient {
  readonly client: Client
  /** Changes it; who asks meanwhile waits. When that fails, the next one asked tries again what it can. */
  change(next: (now: Client) => Promise<Client>): Promise<void>
}

const asking = new Set<PropertyKey>(['execute', 'batch', 'transaction', 'executeMultiple', 'migrate'])

/** Holds a connection so that it can be changed. */
export function changeableClient(first: Client): ChangeableClient {
  let current = first
  let changing: Promise<void> | undefined
  const client = new Proxy(first, {
    get: (_target, name) => {
      const part: unknown = Reflect.get(current, name)
      if (typeof part !== 'function') return part
      const work = part as (...args: readonly unknown[]) => unknown
      if (!asking.has(name)) return work.bind(current)
      return async (...args: readonly unknown[]) => {
        await changing
        return (Reflect.get(current, name) as typeof work).call(current, ...args)
      }
    },
  })
  return {
    client,
    change: async (next) => {
      const change = next(current).then((changed) => {
        current = changed
      })
      changing = change.catch(() => undefined)
      try {
        await change
      } finally {
        changing = undefined
      }
    },
  }
}
