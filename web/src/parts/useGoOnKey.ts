import { onBeforeUnmount, onMounted } from 'vue'
import { isTyping } from './keyboard'

/** A round goes on by one key: Space or Enter, unless something is being typed or a button is pressed with it. */
export function useGoOnKey(goOn: () => unknown): void {
  function pressed(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    if (isTyping(event) || (event.target as Element | null)?.closest('button, a, input')) return
    if (event.key !== ' ' && event.key !== 'Enter') return
    event.preventDefault()
    goOn()
  }
  onMounted(() => window.addEventListener('keydown', pressed))
  onBeforeUnmount(() => window.removeEventListener('keydown', pressed))
}
