import { api } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'
import type { TimedPourView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import type { BatterConditions, MoveLine } from '@vendange/core/pour'
import {
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
import { computed, shallowRef } from 'vue'

/** Pours that were timed here, read once for a page. */
export function useTimedPours() {
  const timings = shallowRef<readonly TimedPourView[]>([])
  void api(endpoints.batches.timings)
    .then((read) => (timings.value = read))
    .catch(() => undefined)
  return timings
}

/** How long a batter will wait for a plan, what would help, and what to fall back on. */
export function useWorking(
  lines: () => readonly MoveLine[],
  batter: () => BatterConditions,
  section: () => MouldSection,
  timings: () => readonly TimedPourView[],
) {
  const season = useSeason()
  const own = computed(() =>
    Object.fromEntries((season.workshop?.ownFactors ?? []).map(({ key, times }) => [key, times])),
  )
  const pours = computed(() => timings().flatMap((timing) => timedPourOf(timing) ?? []))
  const estimate = computed(() => estimateWorking(batter(), pours.value, own.value))
  const band = computed(() => windowLeft(estimate.value, 0))
  /** The same for each pot, in their order. */
  const potBands = computed(() =>
    (batter().paces ?? []).map((pace) => windowLeft(estimateOfPot(estimate.value, pace), 0)),
  )
  const chance = computed(() => chanceToFinish(lines(), estimate.value, potsReadyMin(batter().pots), batter().paces))
  const onClock = computed(() =>
    planOnTheClock(lines(), estimate.value.thickening, potsReadyMin(batter().pots), batter().paces),
  )
  const advice = computed(() => workingAdvice(lines(), batter(), pours.value, own.value))
  const fallback = computed(() => fallbackFor(lines(), estimate.value, batter(), section()))
  return { estimate, band, potBands, chance, onClock, advice, fallback }
}
