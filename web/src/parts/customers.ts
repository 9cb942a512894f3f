import type { CustomersView, SavedCustomer } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { computed, ref, shallowRef } from 'vue'
import { api, problemOf } from './api'
import { useFresh } from './useFresh'

/** Subscribers and shops, read anew with the season. */
export function useCustomers() {
  const view = shallowRef<CustomersView>()
  const trouble = ref<string>()
  async function load(): Promise<void> {
    try {
      view.value = await api(endpoints.customers.view)
      trouble.value = undefined
    } catch (error) {
      trouble.value = problemOf(error).detail
    }
  }
  useFresh(load)
  const ofKind = (kind: SavedCustomer['kind']): readonly SavedCustomer[] =>
    view.value?.customers.filter((one) => one.kind === kind) ?? []
  const subscribers = computed(() => ofKind('subscriber'))
  const shops = computed(() => ofKind('shop'))
  const customer = (id: string): SavedCustomer | undefined => view.value?.customers.find((one) => one.id === id)
  return { view, trouble, subscribers, shops, customer }
}
