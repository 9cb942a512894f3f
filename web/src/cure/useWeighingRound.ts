import { useUnits } from '@/parts/format'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import { undoMs, useRound } from '@/parts/useRound'
import type { LoafSummary } from '@vendange/contract'
import { daysBetween } from '@vendange/core/calendar'
import { inOrder, isOffForecast, nearestPoint, weighingRound } from '@vendange/core/cure'
import { computed, ref } from 'vue'
import { useForecast } from './useForecast'

/** The marked bars that are due, one after the other: taken, asked again about where odd, left for later, taken back. */
export function useWeighingRound() {
  const season = useSeason()
  const { fineMass } = useUnits()
  const { keepForNow, takeBack, errors, trouble } = useLoafEvents()

  const curing = computed(() =>
    season.loaves.flatMap(({ id, lotCode, state: { cut, status, place, weighIns } }) =>
      cut && (status === 'curing' || status === 'held') ? [{ id, lotCode, place, weighIns }] : [],
    ),
  )
  const round = useRound(
    () => (season.workshop ? weighingRound(curing.value, season.workshop.racks, season.today).map(({ id }) => id) : []),
    takeBack,
  )
  const bars = computed(() =>
    round.keys.value.flatMap((id) => {
      const loaf = season.loaf(id)
      return loaf ? [{ loaf, isDone: round.isDone(id), isLater: round.isLater(id) }] : []
    }),
  )
  /** The bar in the hand. */
  const now = computed<LoafSummary | undefined>(() =>
    round.now.value === undefined ? undefined : season.loaf(round.now.value),
  )
  const last = computed(() => inOrder(now.value?.state.weighIns ?? []).at(-1))
  const { forecast, isReckoning } = useForecast(() => now.value)

  const cureDay = computed(() => daysBetween(now.value?.state.cut?.day ?? season.today, season.today))
  /** About what it weighs today, g; null while that is reckoned. */
  const expectedG = computed(() =>
    isReckoning.value ? null : (nearestPoint(forecast.value, cureDay.value)?.likelyG ?? last.value?.massG ?? null),
  )

  /** Why the mass that was given last is asked for again; undefined where it was taken. */
  const odd = ref<string>()
  let askedAgain: number | undefined

  /** Takes a mass, g; one that is odd only when it is given a second time. @returns whether it was taken */
  async function take(barG: number): Promise<boolean> {
    const loaf = now.value
    if (!loaf) return false
    const isSure = askedAgain === barG
    const stepG = season.workshop?.scaleResolutionG ?? 1
    if (!isSure && isOffForecast(forecast.value, cureDay.value, barG, stepG)) {
      askedAgain = barG
      odd.value = `${fineMass(barG)} is not what its drying lets expect. Is it this loaf’s marked bar? Take it once more if it is so.`
      return false
    }
    const order = await keepForNow(loaf, { type: 'weighed', day: season.today, barG, isSure }, undoMs)
    if (order === undefined) {
      askedAgain = barG
      odd.value = `${trouble.value ?? errors.value['barG'] ?? ''} Take it once more if it is so.`.trim()
      return false
    }
    askedAgain = undefined
    odd.value = undefined
    round.did(loaf.id, [order])
    return true
  }

  function leaveForLater(): void {
    round.leaveForLater()
    odd.value = undefined
    askedAgain = undefined
  }

  return { bars, now, last, expectedG, odd, doneCount: round.doneCount, take, leaveForLater, undo: round.undo }
}
