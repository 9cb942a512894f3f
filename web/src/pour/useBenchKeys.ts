import { isTyping } from '@/parts/keyboard'
import { onBeforeUnmount, onMounted } from 'vue'

interface BenchActions {
  readonly go: (by: number) => void
  readonly take: () => void
  readonly tare: () => void
  /** Whether scale or probe are heard. */
  readonly isConnected: () => boolean
  /** Whether the event is in the field of the reading, with nothing typed in it. */
  readonly isInEmptyField: (event: KeyboardEvent) => boolean
}

/** The bench by keys: arrows go from step to step, space takes, W weighs and T tares. */
export function useBenchKeys({ go, take, tare, isConnected, isInEmptyField }: BenchActions): void {
  /** In the empty field of the reading the arrows have nothing to move over: they lead from step to step there too. */
  const isFree = (event: KeyboardEvent): boolean =>
    !isTyping(event) || (event.key.startsWith('Arrow') && isInEmptyField(event))

  function press(event: KeyboardEvent): void {
    if (!isFree(event) || event.ctrlKey || event.metaKey || event.altKey) return
    const key = event.key.toLowerCase()
    if (key === 'arrowleft') go(-1)
    else if (key === 'arrowright') go(1)
    else if (key === ' ' || (key === 'w' && isConnected())) {
      event.preventDefault()
      take()
    } else if (key === 't' && isConnected()) tare()
  }
  onMounted(() => window.addEventListener('keydown', press))
  onBeforeUnmount(() => window.removeEventListener('keydown', press))
}
