import { inject, onBeforeUnmount, ref } from 'vue'
import { unreadFieldsKey } from './useSavedForm'

/** What is wrong with a field's text. While it cannot be read, the form around it is held back from saving. */
export function useUnread(label: string) {
  const unread = inject(unreadFieldsKey, undefined)
  const key = Symbol(label)
  const problem = ref<string>()

  function report(message: string | undefined): void {
    problem.value = message
    if (message === undefined) unread?.delete(key)
    else unread?.set(key, message)
  }

  onBeforeUnmount(() => unread?.delete(key))
  return { problem, report }
}
