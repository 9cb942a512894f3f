import { onBeforeUnmount, onMounted } from 'vue'
import { useTheme } from 'vuetify'

/** What is printed wears the paper's colours, whatever the screen wears. */
export function usePaperInPrint(): void {
  const theme = useTheme()
  let onScreen: string | undefined
  const forPaper = (): void => {
    onScreen = theme.global.name.value
    theme.change('paper')
  }
  const forScreen = (): void => {
    if (onScreen !== undefined) theme.change(onScreen)
    onScreen = undefined
  }
  onMounted(() => {
    window.addEventListener('beforeprint', forPaper)
    window.addEventListener('afterprint', forScreen)
  })
  onBeforeUnmount(() => {
    window.removeEventListener('beforeprint', forPaper)
    window.removeEventListener('afterprint', forScreen)
  })
}
