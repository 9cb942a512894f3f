import { useSeason } from '@/parts/seasonStore'
import type { NewDesign, TimedPourView } from '@vendange/contract'
import type { BatterConditions, MoveLine } from '@vendange/core/pour'
import {
  batterConditions,
  chanceToFinish,
  estimateOfPot,
  estimateWorking,
  fallbackFor,
  planOnTheClock,
  potsReadyMin,
  windowLeft,
  timedPourOf,
  workingAdvice,
} from '@vendange/core/pour'
import type { MouldSection } from '@vendange/core/pour'
import { computed } from 'vue'

/** The batter of a soap as it is designed now. */
export function useBatter(soap: () => Pick<NewDesign, 'recipeId' | 'scent' | 'colours'> | undefined) {
  const season = useSeason()
  return computed(() => {
    const { recipeId = null, scent = null, colours = [] } = soap() ?? {}
    const recipe = season.recipes.find(({ id }) => id === recipeId) ?? { fats: [], lyeConcentration: 0.3 }
    return batterConditions({
      recipe: { ...recipe, knownFats: season.fats },
      scent,
      colours,
      soapingTemperatureC: season.workshop?.soapingTemperatureC ?? 43,
    })
  })
}

/** How long a batter will wait for a plan, what would help, and what to fall back on. */
export function useWorking(
  lines: () => readonly MoveLine[],
  batter: () => BatterConditions,
  section: () => MouldSection,
  timings: () => readonly TimedPourView[],
) {
  const season = useSeason()
  const pours = computed(() => timings().flatMap((timing) => timedPourOf(timing) ?? []))
  const estimate = computed(() => estimateWorking(batter(), pours.value, season.ownFactors))
  const band = computed(() => windowLeft(estimate.value, 0))
  /** The same for each pot, in their order. */
  const potBands = computed(() =>
    (batter().paces ?? []).map((pace) => windowLeft(estimateOfPot(estimate.value, pace), 0)),
  )
  const chance = computed(() => chanceToFinish(lines(), estimate.value, potsReadyMin(batter().pots), batter().paces))
  const onClock = computed(() =>
    planOnTheClock(lines(), estimate.value.thickening, potsReadyMin(batter().pots), batter().paces),
  )
  const advice = computed(() => workingAdvice(lines(), batter(), pours.value, season.ownFactors))
  const fallback = computed(() => fallbackFor(lines(), estimate.value, batter(), section()))
  return { estimate, band, potBands, chance, onClock, advice, fallback }
}
