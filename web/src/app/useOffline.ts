import { ref } from 'vue'

/** The first pages come first: what keeps them for later waits so long, ms. */
const settleMs = 6000
const scriptPath = '/serviceWorker.js'

/** Has the browser keep the shell for when the network is gone, and tells when a new version waits. */
export function useOffline() {
  const waiting = ref<ServiceWorker>()

  function watchFor({ waiting: there, installing }: ServiceWorkerRegistration): void {
    // The very first one takes over by itself: there was none before.
    if (there && navigator.serviceWorker.controller) waiting.value = there
    installing?.addEventListener('statechange', () => {
      if (installing.state === 'installed' && navigator.serviceWorker.controller) waiting.value = installing
    })
  }
  async function register(): Promise<void> {
    const registration = await navigator.serviceWorker.register(scriptPath)
    watchFor(registration)
    registration.addEventListener('updatefound', () => watchFor(registration))
  }
  if ('serviceWorker' in navigator && import.meta.env.PROD)
    setTimeout(() => void register().catch(() => undefined), settleMs)

  /** The new version takes over, and the page is read anew. */
  function takeOver(): void {
    navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), { once: true })
    waiting.value?.postMessage({ type: 'TAKE_OVER' })
  }
  return { waiting, takeOver }
}
