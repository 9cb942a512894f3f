import { problemOf } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'
import { useLatest } from '@/parts/useLatest'
import type { TablePage, TableView } from '@vendange/core/tables'
import type { Ref } from 'vue'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'

/** Asked once the hand rests, ms. */
const restMs = 150

/** A table as its page and its sheet hold it. */
export interface ServedTable<Row> {
  readonly wishes: Ref<{ text: string }>
  readonly sortBy: Ref<{ key: string; order: 'asc' | 'desc' }[]>
  readonly page: Ref<number>
  readonly perPage: Ref<number>
  readonly table: Readonly<Ref<TablePage<Row> | undefined>>
  readonly isAsking: Readonly<Ref<boolean>>
  readonly isNarrowed: Readonly<Ref<boolean>>
  readonly clear: () => void
}

type Wishes<Query extends TableView<string>> = Omit<Query, keyof TableView<string>>

/**
 * A table that the server sorts, narrows down and pages: what is wished, in which order, and the page that it told last.
 *
 * @param every what is asked for while nothing is wished
 * @param ask puts the question to the server
 */
export function useServedTable<
  Query extends TableView<string> & { readonly text: string },
  Page extends TablePage<object>,
>(every: Query, ask: (query: Query) => Promise<Page>) {
  const { sortBy: usualSort, isDescending: isUsuallyDown, page: firstPage, perPage: usualCount, ...noWishes } = every
  const season = useSeason()
  const wishes = ref({ ...noWishes }) as Ref<Wishes<Query> & { text: string }>
  const sortBy = ref<{ key: string; order: 'asc' | 'desc' }[]>([
    { key: usualSort, order: isUsuallyDown ? 'desc' : 'asc' },
  ])
  const page = ref(firstPage)
  const perPage = ref(usualCount)
  const failure = ref<string>()
  // Another wish begins on its first page.
  watch([wishes, sortBy, perPage], () => (page.value = firstPage), { deep: true })

  const query = computed(
    () =>
      ({
        ...wishes.value,
        // A field that is emptied by its cross holds nothing at all.
        text: (wishes.value.text as string | null) ?? '',
        sortBy: sortBy.value[0]?.key ?? usualSort,
        isDescending: sortBy.value[0]?.order !== 'asc',
        page: page.value,
        perPage: perPage.value,
      }) as unknown as Query,
  )
  const asked = shallowRef<Query>(query.value)
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(query, (now) => {
    clearTimeout(timer)
    timer = setTimeout(() => (asked.value = now), restMs)
  })
  onBeforeUnmount(() => clearTimeout(timer))

  let last: Page | undefined
  const { told, isAsking } = useLatest(
    () => ({ body: asked.value, revision: season.view?.revision }),
    async ({ body }) => {
      try {
        last = await ask(body)
        failure.value = undefined
      } catch (error) {
        failure.value = problemOf(error).detail
      }
      return last
    },
  )
  const isNarrowed = computed(() => JSON.stringify({ ...query.value, ...noWishes }) !== JSON.stringify(query.value))
  const clear = (): void => void (wishes.value = { ...noWishes } as Wishes<Query> & { text: string })
  /** All that is seen, on all pages, for other programs. */
  const all = (most: number): Promise<Page> => ask({ ...query.value, page: 1, perPage: most })
  return { wishes, sortBy, page, perPage, table: told, isAsking, failure, isNarrowed, clear, all }
}
