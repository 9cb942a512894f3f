import { onBeforeUnmount, onMounted } from 'vue'

/** Gets a page ready for paper before it is printed, and back for the screen after. */
export function aroundPrint(forPaper: () => void, forScreen: () => void): void {
  onMounted(() => {
    window.addEventListener('beforeprint', forPaper)
    window.addEventListener('afterprint', forScreen)
  })
  onBeforeUnmount(() => {
    window.removeEventListener('beforeprint', forPaper)
    window.removeEventListener('afterprint', forScreen)
  })
}
