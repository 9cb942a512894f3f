import { api } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'
import { useTimedPours } from '@/parts/timedPours'
import { useFresh } from '@/parts/useFresh'
import { endpoints } from '@vendange/contract'
import type { Observation, SeenBar } from '@vendange/core/observations'
import { barConditions, learnFromBars, observationsOf } from '@vendange/core/observations'
import { batterConditions, estimateWorking, timedPourOf } from '@vendange/core/pour'
import type { Recipe } from '@vendange/core/recipe'
import { computed, shallowRef } from 'vue'

/** What will be noticed of a recipe’s soap, as this workshop has seen its own so far. */
export function useObservations() {
  const season = useSeason()
  const timings = useTimedPours()
  const seen = shallowRef<readonly SeenBar[]>([])
  useFresh(async () => {
    // Without the log it is the model’s estimate, and says so.
    seen.value = await api(endpoints.loaves.seen).catch(() => seen.value)
  })
  const learned = computed(() => learnFromBars(seen.value))
  const pours = computed(() => timings.value.flatMap((timing) => timedPourOf(timing) ?? []))
  return (recipe: Recipe, recipeId: string | undefined): readonly Observation[] => {
    const soapingTemperatureC = season.workshop?.soapingTemperatureC ?? 43
    const batter = batterConditions({ recipe, scent: null, colours: [], soapingTemperatureC })
    const estimate = estimateWorking(batter, pours.value, season.ownFactors)
    return observationsOf(barConditions(recipe), recipeId, learned.value, { estimate, batter })
  }
}
