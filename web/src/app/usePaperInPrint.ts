import { aroundPrint } from '@/parts/aroundPrint'
import { useTheme } from 'vuetify'

/** What is printed wears the paper's colours, whatever the screen wears. */
export function usePaperInPrint(): void {
  const theme = useTheme()
  let onScreen = theme.global.name.value
  aroundPrint(
    () => {
      onScreen = theme.global.name.value
      void theme.change('paper')
    },
    () => void theme.change(onScreen),
  )
}
