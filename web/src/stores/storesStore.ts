import { api, problemOf } from '@/parts/api'
import { useFresh } from '@/parts/useFresh'
import type { LotView, SavedIngredient, StoresView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import type { StoresLine } from '@vendange/core/stores'
import { oldestFirst, storesForecast } from '@vendange/core/stores'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'

/** Ingredients, lots and what the season takes of them. */
export const useStores = defineStore('stores', () => {
  const view = shallowRef<StoresView>()
  const trouble = ref<string>()

  async function load(): Promise<void> {
    try {
      view.value = await api(endpoints.stores)
      trouble.value = undefined
    } catch (error) {
      trouble.value = problemOf(error).detail
    }
  }

  const lotsOf = (ingredientId: string): readonly LotView[] =>
    oldestFirst(view.value?.lots.filter((lot) => lot.ingredientId === ingredientId) ?? []) as readonly LotView[]
  const ingredient = (id: string): SavedIngredient | undefined => view.value?.ingredients.find((one) => one.id === id)
  const lot = (id: string): LotView | undefined => view.value?.lots.find((one) => one.id === id)
  const lines = computed<readonly StoresLine[]>(() =>
    view.value ? storesForecast(view.value.ingredients, lotsOf, view.value.needs, view.value.today) : [],
  )
  const shortages = computed(() => lines.value.filter(({ shortage }) => shortage !== undefined))

  return { view, trouble, load, lotsOf, ingredient, lot, lines, shortages }
})

/** The same, kept fresh for as long as the page that asks is open. */
export function useFreshStores() {
  const stores = useStores()
  useFresh(stores.load)
  return stores
}
