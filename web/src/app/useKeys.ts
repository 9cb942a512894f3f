import { isTyping, newHere } from '@/parts/keyboard'
import { useUndo } from '@/parts/undoStore'
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { sideStages, stages } from './stages'

/** The keys that work everywhere outside the bench. */
export function useKeys() {
  const router = useRouter()
  const undo = useUndo()
  const listIsOpen = ref(false)
  const findIsOpen = ref(false)
  /** After `g`, until a stage is named or another key says otherwise: a slow hand has all the time it wants. */
  const waitsForStage = ref(false)

  function press(event: KeyboardEvent): void {
    if ((event.ctrlKey || event.metaKey) && event.key === 'z' && !isTyping(event)) {
      event.preventDefault()
      void undo.undoLast()
      return
    }
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return
    if (waitsForStage.value) {
      waitsForStage.value = false
      const stage = [...stages, ...sideStages].find(({ key }) => key === event.key)
      if (stage) {
        event.preventDefault()
        void router.push(stage.path)
        return
      }
    }
    const actions: Readonly<Record<string, () => void>> = {
      g: () => (waitsForStage.value = true),
      '?': () => (listIsOpen.value = true),
      '/': () => (findIsOpen.value = true),
      n: () => void newHere.value?.run(),
    }
    const action = actions[event.key]
    if (!action) return
    event.preventDefault()
    action()
  }

  const stay = (): void => {
    waitsForStage.value = false
  }

  onMounted(() => {
    window.addEventListener('keydown', press)
    window.addEventListener('pointerdown', stay)
  })
  onBeforeUnmount(() => {
    window.removeEventListener('keydown', press)
    window.removeEventListener('pointerdown', stay)
  })
  return { listIsOpen, findIsOpen, waitsForStage }
}
