import { apiAtOnce } from './api'
import { addressOf, endpoints } from '@vendange/contract'
import type { Reading } from '@vendange/core/instruments'
import { parseReading } from '@vendange/core/instruments'
import type { Ref } from 'vue'
import { onBeforeUnmount, ref, shallowRef, watch } from 'vue'

export type InstrumentName = 'scale' | 'probe' | 'room'

const connectedKey = 'vendange.instruments'

/** An instrument, read live once the tablet is connected to its instruments. */
export function useInstrument(name: Ref<InstrumentName | undefined>) {
  const isConnected = ref(localStorage.getItem(connectedKey) === 'yes')
  const reading = shallowRef<Reading>()
  let stream: EventSource | undefined

  function close(): void {
    stream?.close()
    stream = undefined
    reading.value = undefined
  }

  watch(
    [name, isConnected],
    ([wanted, connected]) => {
      close()
      if (!connected || wanted === undefined) return
      stream = new EventSource(addressOf(endpoints.instruments.lines, { name: wanted }))
      stream.onmessage = ({ data }) => (reading.value = parseReading(String(data)) ?? reading.value)
      // The stream comes back by itself; until then nothing is shown that is no longer true.
      stream.onerror = () => (reading.value = undefined)
    },
    { immediate: true },
  )
  watch(isConnected, (connected) => localStorage.setItem(connectedKey, connected ? 'yes' : 'no'))
  onBeforeUnmount(close)

  /** Tells the instrument something. A command that does not get through is let be: the reading shows it. */
  async function command(line: string, of: InstrumentName | undefined = name.value): Promise<void> {
    if (of === undefined) return
    await apiAtOnce(endpoints.instruments.command, { params: { name: of }, body: { line } }).catch(() => undefined)
  }

  return { isConnected, reading, command }
}
