import { inject, onBeforeUnmount, ref } from 'vue'
import { unreadTextsKey } from './unreadTexts'

/** What is wrong with a field's text. While it cannot be read, the form around it is held back from saving. */
export function useUnread(label: string) {
  const around = inject(unreadTextsKey, undefined)
  const key = Symbol(label)
  const problem = ref<string>()
  const { field, kept } = around?.join(label) ?? { field: label, kept: undefined }

  function report(message: string | undefined, text: string): void {
    problem.value = message
    around?.set(key, message === undefined ? undefined : { field, problem: message, text })
  }

  onBeforeUnmount(() => around?.leave(key, field))
  return {
    problem,
    report,
    /** What was typed here before, could not be read, and was kept. */
    kept,
  }
}
