import { api, problemOf } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'
import { useLatest } from '@/parts/useLatest'
import type { LoafTableQuery } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import type { LoafPage, LoafSortKey } from '@vendange/core/loaf'
import { everyLoaf } from '@vendange/core/loaf'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'

type Wishes = Pick<LoafTableQuery, 'text' | 'soap' | 'status' | 'scent' | 'fault' | 'place' | 'from' | 'to'>

const { sortBy: usualSort, isDescending: isUsuallyDown, page: firstPage, perPage: usualCount, ...noWishes } = everyLoaf
/** Asked once the hand rests, ms. */
const restMs = 150

/** The notebook's table: what is wished, in which order, and the page of it that the server told last. */
export function useLoafTable() {
  const season = useSeason()
  const wishes = ref<Wishes>({ ...noWishes })
  const sortBy = ref<{ key: string; order: 'asc' | 'desc' }[]>([
    { key: usualSort, order: isUsuallyDown ? 'desc' : 'asc' },
  ])
  const page = ref(firstPage)
  const perPage = ref(usualCount)
  const failure = ref<string>()
  // Another wish begins on its first page.
  watch([wishes, sortBy, perPage], () => (page.value = firstPage), { deep: true })

  const query = computed<LoafTableQuery>(() => ({
    ...wishes.value,
    // A field that is emptied by its cross holds nothing at all.
    text: (wishes.value.text as string | null) ?? '',
    sortBy: (sortBy.value[0]?.key ?? usualSort) as LoafSortKey,
    isDescending: sortBy.value[0]?.order !== 'asc',
    page: page.value,
    perPage: perPage.value,
  }))
  const asked = shallowRef<LoafTableQuery>(query.value)
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(query, (now) => {
    clearTimeout(timer)
    timer = setTimeout(() => (asked.value = now), restMs)
  })
  onBeforeUnmount(() => clearTimeout(timer))

  let last: LoafPage | undefined
  const { told, isAsking } = useLatest(
    () => ({ body: asked.value, revision: season.view?.revision }),
    async ({ body }) => {
      try {
        last = await api(endpoints.loaves.table, { body })
        failure.value = undefined
      } catch (error) {
        failure.value = problemOf(error).detail
      }
      return last
    },
  )
  const isNarrowed = computed(() => JSON.stringify({ ...query.value, ...noWishes }) !== JSON.stringify(query.value))
  const clear = (): void => void (wishes.value = { ...noWishes })
  return { wishes, sortBy, page, perPage, table: told, isAsking, failure, query, isNarrowed, clear }
}
