import { useSeason } from '@/parts/seasonStore'
import type { NewRecipe } from '@vendange/contract'
import { isOwnFatKey } from '@vendange/core/fats'
import { isRefused } from '@vendange/core/findings'
import { promiseFindings } from '@vendange/core/plan'
import { checkRecipe, recipeFigures } from '@vendange/core/recipe'
import type { Ref } from 'vue'
import { computed } from 'vue'

/** A recipe as it is reckoned while it is typed: with the certificates of the lots at hand, for a mass of fats in g. */
export function useReckonedRecipe(values: Ref<NewRecipe | undefined>, fatsG: Ref<number>) {
  const season = useSeason()
  const reckoned = computed(() => values.value && season.withKnownMaterials(values.value))
  /** Which of its fats are narrowed by a certificate. */
  const certified = computed(() =>
    (reckoned.value?.knownFats ?? []).filter(
      ({ key }) => !isOwnFatKey(key) && values.value?.fats.some(({ fatKey }) => fatKey === key),
    ),
  )
  const findings = computed(() => {
    const now = reckoned.value
    if (!now) return []
    const promised = { ...now, ingredients: [...now.liquids, ...now.additives] }
    return [...checkRecipe(now), ...promiseFindings([promised], now.claims, season.workshop?.ownClaims)]
  })
  /** As the workshop's scale weighs it. */
  const figures = computed(() => {
    if (!reckoned.value || isRefused(findings.value)) return undefined
    const { scaleResolutionG, lyeRounding } = season.workshop ?? {}
    return recipeFigures(reckoned.value, fatsG.value, scaleResolutionG, lyeRounding)
  })
  return { reckoned, certified, findings, figures }
}
