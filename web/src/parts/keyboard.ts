import { onBeforeUnmount, onMounted, ref } from 'vue'

/** What `n` does on the page that is open. */
export const newHere = ref<{ readonly label: string; readonly run: () => unknown }>()

/** Makes `n` do something while the calling page is open. */
export function useNewHere(label: string, run: () => unknown): void {
  const mine = { label, run }
  onMounted(() => (newHere.value = mine))
  onBeforeUnmount(() => {
    if (newHere.value?.run === run) newHere.value = undefined
  })
}

/** Whether a key press belongs to a field and is no command. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target
  return target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
}
