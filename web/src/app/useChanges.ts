import { useSeason } from '@/parts/seasonStore'
import { addressOf, endpoints } from '@vendange/contract'

/** The first page comes first: what is told of changes is listened to after it, ms. */
const settleMs = 3000
/** A server that turns a listener away is asked again after so long, ms. */
const againMs = 5000

/**
 * Hears of what other windows, screens and places change, and has it read anew. A page that nobody looks at listens to
 * nothing, since a browser holds few connections to one server; it catches up when it is looked at again.
 */
export function useChanges(): void {
  const season = useSeason()
  let stream: EventSource | undefined
  let timer: ReturnType<typeof setTimeout> | undefined

  function close(): void {
    clearTimeout(timer)
    stream?.close()
    stream = undefined
  }
  function listen(): void {
    close()
    if (document.visibilityState !== 'visible') return
    stream = new EventSource(addressOf(endpoints.changes, {}))
    // The first thing told is what stands now: nothing that was missed meanwhile is missed for good.
    stream.onmessage = ({ data }) => season.hear(Number(data))
    stream.onerror = () => {
      // A connection that broke is taken up again by the browser, an answer that is none is not.
      if (stream?.readyState === EventSource.CLOSED) timer = setTimeout(listen, againMs)
    }
  }

  setTimeout(() => {
    listen()
    document.addEventListener('visibilitychange', listen)
  }, settleMs)
}
