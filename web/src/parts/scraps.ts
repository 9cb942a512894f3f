import type { ScrapView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { ref, shallowRef } from 'vue'
import { api, problemOf } from './api'
import { useFresh } from './useFresh'

/** The scrap bin, read anew with the season. */
export function useScraps() {
  const scraps = shallowRef<readonly ScrapView[]>()
  const trouble = ref<string>()
  useFresh(async () => {
    try {
      scraps.value = await api(endpoints.scraps)
      trouble.value = undefined
    } catch (error) {
      trouble.value = problemOf(error).detail
    }
  })
  return { scraps, trouble }
}
