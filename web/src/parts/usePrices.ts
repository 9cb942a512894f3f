import { endpoints } from '@vendange/contract'
import type { Prices } from '@vendange/core/stores'
import { shallowRef } from 'vue'
import { api } from './api'
import { useFresh } from './useFresh'

/** What everything in the stores costs. Empty where this screen may not see it. */
export function usePrices() {
  const prices = shallowRef<Prices>([])
  useFresh(async () => {
    prices.value = await api(endpoints.prices).catch(() => prices.value)
  })
  return prices
}
