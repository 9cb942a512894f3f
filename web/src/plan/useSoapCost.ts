import { useSeason } from '@/parts/seasonStore'
import { usePrices } from '@/parts/usePrices'
import type { SavedDesign } from '@vendange/contract'
import type { BatchPlan } from '@vendange/core/batch'
import { batchPlan, sourceOfPart } from '@vendange/core/batch'
import { isRefused } from '@vendange/core/findings'
import { channelEarnings, soapCost } from '@vendange/core/plan'
import { plannedMoves } from '@vendange/core/pour'
import { checkRecipe } from '@vendange/core/recipe'
import { computed } from 'vue'

/** What a bar of a soap costs as it stands, and what it brings by each channel. */
export function useSoapCost(design: () => SavedDesign | undefined) {
  const season = useSeason()
  const prices = usePrices()

  /** What goes into each of its pours; none while it cannot be weighed. */
  const plans = computed<readonly BatchPlan[]>(() => {
    const of = design()
    const source = of && season.sourceOf(of)
    if (!of || !source || isRefused(checkRecipe(source.recipe))) return []
    const parts = season.batchesOf(of.id).flatMap(({ part }) => {
      const mould = season.mould(part?.mouldId)
      return part && mould ? [sourceOfPart(source, part, mould)] : []
    })
    return (parts.length > 0 ? parts : [source]).map((one) =>
      batchPlan({
        ...one,
        moves: plannedMoves(of.pourPlan, [{ mould: one.mould, count: one.design.mouldCount }, ...(one.more ?? [])]),
      }),
    )
  })
  const cost = computed(() => {
    const of = design()
    const { workshop } = season
    if (!of || !workshop) return undefined
    const { setupHours, prepHours, pourHours, cutHours } = workshop
    const hoursAPour = setupHours + prepHours + pourHours + cutHours
    return soapCost(
      { plans: plans.value, bevelled: of.bevelled, stamped: of.stamped, hoursAPour },
      prices.value,
      workshop.pricing,
    )
  })
  const barCents = computed(() => season.barCentsOf(design()?.id ?? ''))
  const channels = computed(() => {
    const { workshop } = season
    return cost.value && workshop ? channelEarnings(cost.value, barCents.value, workshop.pricing, workshop.quoting) : []
  })
  return { prices, cost, channels, barCents }
}
