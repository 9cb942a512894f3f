/// <reference lib="webworker" />
import { precacheAndRoute } from 'workbox-precaching'
import { registerRoute } from 'workbox-routing'
import { answerName, answerOf, isKept, keptAddress, pageName } from './keptAnswers'

/** Keeps the shell and what the bench, the day, the cure room and the stall need, for when the network is gone. */
declare const self: ServiceWorkerGlobalScope & {
  readonly __WB_MANIFEST: readonly { readonly url: string; readonly revision: string | null }[]
}

/** So long an answer is waited for before the one that was kept will do, ms. */
const patienceMs = 5000
const goneForMs = 30_000
const impatientMs = 700
const unauthorised = 401

// Every file of the shell carries its own mark.
precacheAndRoute([...self.__WB_MANIFEST])

/** When an answer was last waited for in vain, ms since 1970. */
let missedAtMs = 0

/** The network's answer, or undefined when it does not come in time; soon after one that did not come, less is waited. */
async function fromNetwork(request: Request): Promise<Response | undefined> {
  const isGone = Date.now() - missedAtMs < goneForMs
  const late = new Promise<undefined>((resolve) =>
    setTimeout(() => resolve(undefined), isGone ? impatientMs : patienceMs),
  )
  const answer = await Promise.race([fetch(request).catch(() => undefined), late])
  missedAtMs = answer ? 0 : Date.now()
  return answer
}

const notReached = (): Response => Response.error()

// A page is the same shell at every address: the last one that came stands for all.
registerRoute(
  ({ request, url }) => request.mode === 'navigate' && !url.pathname.startsWith('/api/'),
  async ({ request }) => {
    const answer = await fromNetwork(request)
    const pages = await caches.open(pageName)
    if (!answer) return (await pages.match(pageName)) ?? notReached()
    if (answer.status === 200 && !answer.redirected) await pages.put(pageName, answer.clone())
    return answer
  },
)

registerRoute(
  ({ request, url }) => request.method === 'GET' && isKept(url.pathname),
  async ({ request, url }) => {
    const answer = await fromNetwork(request)
    const answers = await caches.open(answerName)
    if (!answer) return answerOf(await answers.match(url.pathname)) ?? notReached()
    if (answer.status === 200) await answers.put(url.pathname, answer.clone())
    // A screen that was put out keeps nothing.
    if (answer.status === unauthorised) await caches.delete(answerName)
    return answer
  },
)

// What the server answers a step is the batch as it stands now: it is what a reload shows.
registerRoute(
  ({ url }) => keptAddress(url.pathname) !== undefined,
  async ({ request, url }) => {
    const answer = await fetch(request)
    const address = keptAddress(url.pathname)
    if (answer.ok && address !== undefined) await (await caches.open(answerName)).put(address, answer.clone())
    return answer
  },
  'POST',
)

// A new version waits until the page lets it take over.
self.addEventListener('message', ({ data }: ExtendableMessageEvent) => {
  if ((data as { readonly type?: string } | null)?.type === 'TAKE_OVER') void self.skipWaiting()
})
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))
