import { api, problemOf } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'
import { useLatest } from '@/parts/useLatest'
import type { EarningsView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import type { EarningGroup } from '@vendange/core/earnings'
import { ref } from 'vue'

/** What is looked at first: the last twelve months, this one among them. */
const usualDays = 364

/** What was earned in a period that is chosen, by what is chosen; read anew when something changed. */
export function useEarnings() {
  const season = useSeason()
  const from = ref(addDays(season.today, -usualDays))
  const to = ref(season.today)
  const by = ref<EarningGroup>('soap')
  const failure = ref<string>()
  let last: EarningsView | undefined
  const { told, isAsking } = useLatest(
    () => ({ body: { from: from.value, to: to.value, by: by.value }, revision: season.view?.revision }),
    async ({ body }) => {
      try {
        last = await api(endpoints.earnings, { body })
        failure.value = undefined
      } catch (error) {
        failure.value = problemOf(error).detail
      }
      return last
    },
  )
  return { from, to, by, earnings: told, isAsking, failure }
}
