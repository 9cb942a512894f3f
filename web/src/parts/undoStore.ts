import { defineStore } from 'pinia'
import { ref } from 'vue'
import { problemOf } from './api'

interface Undoable {
  /** What was done, as it stands in "Undo: …". */
  readonly label: string
  readonly undo: () => Promise<unknown>
}

/** What can be taken back, last first. */
export const useUndo = defineStore('undo', () => {
  const steps = ref<Undoable[]>([])
  const notice = ref<{ readonly text: string; readonly canUndo: boolean }>()

  /** Remembers how to take a change back; `shown` also says so on the screen. */
  function did(label: string, undo: Undoable['undo'], shown = true): void {
    steps.value = [...steps.value.slice(-49), { label, undo }]
    if (shown) notice.value = { text: label, canUndo: true }
  }

  function tell(text: string): void {
    notice.value = { text, canUndo: false }
  }

  async function undoLast(): Promise<void> {
    const step = steps.value.at(-1)
    if (!step) return tell('There is nothing to undo.')
    steps.value = steps.value.slice(0, -1)
    try {
      await step.undo()
      tell(`Undone: ${step.label}`)
    } catch (error) {
      tell(`Could not undo: ${problemOf(error).detail}`)
    }
  }

  return { steps, notice, did, tell, undoLast }
})
