import { matchedRouteKey } from 'vue-router'
import { createPinia, setActivePinia } from 'pinia'
import { createRenderer } from 'vue'

/** What a server of a test replies to a request; a number is a status without words. */
export type Reply = { readonly status?: number; readonly body: unknown }
type Answer = (request: { readonly method: string; readonly path: string; readonly body: unknown }) => Promise<Reply>

/** What a page has around it: something to keep things in, and a server. Ended after each test. */
export class Page {
  readonly kept = new Map<string, string>()
  readonly requests: string[] = []
  /** Tells when the page goes or is hidden. */
  readonly going = new EventTarget()
  private readonly known = ['localStorage', 'fetch', 'addEventListener', 'removeEventListener'].map((name) => ({
    name,
    descriptor: Object.getOwnPropertyDescriptor(globalThis, name),
  }))

  constructor(answer: Answer) {
    setActivePinia(createPinia())
    const { kept, requests } = this
    define('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
      removeItem: (key: string) => kept.delete(key),
    })
    const { going } = this
    define('addEventListener', going.addEventListener.bind(going))
    define('removeEventListener', going.removeEventListener.bind(going))
    define('fetch', async (path: string, { method, body }: { method: string; body?: string }) => {
      requests.push(`${method} ${path}`)
      const reply = await answer({ method, path, body: body === undefined ? undefined : JSON.parse(body) })
      return new Response(JSON.stringify(reply.body), { status: reply.status ?? 200 })
    })
  }

  end(): void {
    for (const { name, descriptor } of this.known) {
      if (descriptor) Object.defineProperty(globalThis, name, descriptor)
      else Reflect.deleteProperty(globalThis, name)
    }
  }
}

function define(name: string, value: unknown): void {
  Object.defineProperty(globalThis, name, { value, configurable: true, writable: true })
}

const nothing = (): object => ({})
const { createApp } = createRenderer<object, object>({
  createElement: nothing,
  createText: nothing,
  createComment: nothing,
  insert: () => undefined,
  remove: () => undefined,
  patchProp: () => undefined,
  setText: () => undefined,
  setElementText: () => undefined,
  parentNode: () => null,
  nextSibling: () => null,
})

/** Sets up what a component would, on a page that draws nothing, with what is provided around it. */
export function mounted<T>(
  setup: () => T,
  provided: readonly (readonly [symbol | string, unknown])[] = [],
): { readonly made: T; readonly unmount: () => void } {
  let made: T | undefined
  const app = createApp({
    setup: () => {
      made = setup()
      return () => null
    },
  })
  // The page that it stands on, which it may ask to be told of leaving.
  app.provide(matchedRouteKey, { value: { leaveGuards: new Set(), updateGuards: new Set() } } as never)
  for (const [key, value] of provided) app.provide(key, value)
  app.mount({})
  return { made: made as T, unmount: () => app.unmount() }
}

/** Once all that is on its way has come. */
export const settled = async (): Promise<void> => {
  for (let turn = 0; turn < 20; turn++) await new Promise((resolve) => setImmediate(resolve))
}
