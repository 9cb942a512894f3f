import { isTyping, newHere } from '@/parts/keyboard'
import { useUndo } from '@/parts/undoStore'
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { sideStages, stages } from './stages'

const chordMs = 1500

/** The keys that work everywhere outside the bench. */
export function useKeys() {
  const router = useRouter()
  const undo = useUndo()
  const listIsOpen = ref(false)
  const findIsOpen = ref(false)
  let goPressedAt = -Infinity

  function press(event: KeyboardEvent): void {
    if ((event.ctrlKey || event.metaKey) && event.key === 'z' && !isTyping(event)) {
      event.preventDefault()
      void undo.undoLast()
      return
    }
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return
    if (event.timeStamp - goPressedAt < chordMs) {
      goPressedAt = -Infinity
      const stage = [...stages, ...sideStages].find(({ key }) => key === event.key)
      if (stage) void router.push(stage.path)
      return
    }
    const actions: Readonly<Record<string, () => void>> = {
      g: () => (goPressedAt = event.timeStamp),
      '?': () => (listIsOpen.value = true),
      '/': () => (findIsOpen.value = true),
      n: () => void newHere.value?.run(),
    }
    const action = actions[event.key]
    if (!action) return
    event.preventDefault()
    action()
  }

  onMounted(() => window.addEventListener('keydown', press))
  onBeforeUnmount(() => window.removeEventListener('keydown', press))
  return { listIsOpen, findIsOpen }
}
