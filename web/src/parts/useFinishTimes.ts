import type { Finish, FinishTime } from '@vendange/core/cutting'
import { finishTime } from '@vendange/core/cutting'
import { computed } from 'vue'
import { useSeason } from './seasonStore'

/** How long finishing takes here: as the workshop reckons with it, and more and more as it was logged. */
export function useFinishTimes() {
  const season = useSeason()
  const logged = computed(() => season.loaves.flatMap(({ state }) => state.finished))
  const expectedMin = computed<Partial<Record<Finish, number>>>(() => {
    const pricing = season.workshop?.pricing
    return pricing ? { bevelled: pricing.bevelMinutesPerBar, stamped: pricing.stampMinutesPerBar } : {}
  })
  const timeOf = (finish: Finish, bars: number): FinishTime =>
    finishTime(finish, bars, logged.value, expectedMin.value[finish])
  return { timeOf }
}
