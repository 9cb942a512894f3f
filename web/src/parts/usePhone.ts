import type { Ref } from 'vue'
import { onScopeDispose, ref } from 'vue'

/** Whether the screen is as narrow as a phone's; follows it when it is turned. The same width as in the style sheets. */
export function usePhone(): Readonly<Ref<boolean>> {
  const narrow = window.matchMedia('(max-width: 599px)')
  const isPhone = ref(narrow.matches)
  const follow = (): void => {
    isPhone.value = narrow.matches
  }
  narrow.addEventListener('change', follow)
  onScopeDispose(() => narrow.removeEventListener('change', follow))
  return isPhone
}
