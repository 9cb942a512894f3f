import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import type { LoafSummary } from '@vendange/contract'
import { dryingOf, weighInsByCureDay } from '@vendange/core/cure'
import { cutAt } from '@vendange/core/cutting'
import { computed } from 'vue'
import { keepsLabelWords } from '@/parts/forecastWords'
import { goalOf, useDryingTerms, useForecaster } from '@/parts/useDrying'

/** How a loaf's marked bar will go on drying, by its weighings and the room. */
export function useForecast(loaf: () => LoafSummary | undefined) {
  const season = useSeason()
  const { barMass } = useUnits()
  const { since } = useDryingTerms()
  const asked = computed(() => {
    const one = loaf()
    const mould = season.mould(one?.mouldId ?? null)
    const cutDay = one?.state.cut?.day
    const here = cutDay === undefined ? undefined : since(cutDay)
    if (!one || cutDay === undefined || !mould || !here) return undefined
    const terms = dryingOf(cutAt(mould, one.barThicknessMm), here)
    return terms && { weighings: weighInsByCureDay(one.state.weighIns, cutDay), terms, goal: goalOf(one) }
  })
  const { told, isReckoning } = useForecaster(
    () => asked.value,
    (forecaster, { weighings, terms, goal }) => forecaster.whileCuring([...weighings], terms, goal),
  )
  const forecastWords = computed(() => {
    if (isReckoning.value) return 'Reckoning how it will dry …'
    const goal = loaf()
    if (!told.value || !goal) return 'No forecast: its mould or its first weighing is not known.'
    const { levelsOnDay } = told.value
    const day = levelsOnDay === undefined ? '' : ` It levels off about day ${levelsOnDay}.`
    return `${keepsLabelWords(told.value, goal, barMass)}${day}`
  })
  return { forecast: computed(() => told.value?.days ?? []), forecastWords, isReckoning }
}
