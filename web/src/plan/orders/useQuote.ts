import { useSeason } from '@/parts/seasonStore'
import { usePrices } from '@/parts/usePrices'
import { promisesInWorker } from '@/workers/seasonPlanner'
import type { NewOrder, SeasonView } from '@vendange/contract'

import { addDays } from '@vendange/core/calendar'
import type { Finding } from '@vendange/core/findings'
import { isRefused } from '@vendange/core/findings'
import type { QuoteOption, TaxTerms } from '@vendange/core/plan'
import { hourCostCents, quoteOptions } from '@vendange/core/plan'
import { checkRecipe } from '@vendange/core/recipe'
import type { SeasonBatch, DeliveryDate } from '@vendange/core/season'
import {
  batchDemand,
  noDayFindings,
  OpenSeason,
  orderWeight,
  seasonBatches,
  seasonLimits,
  seasonOf,
  traysFor,
} from '@vendange/core/season'
import { lengthStepMm } from '@vendange/core/units'
import { computed, ref, shallowRef, watch } from 'vue'

/** What is asked for: an order that is kept, or one that a client is still speaking of. */
type Asked = Pick<
  NewOrder,
  | 'client'
  | 'bars'
  | 'labelMassG'
  | 'recipeId'
  | 'scent'
  | 'colours'
  | 'bevelled'
  | 'stampLeadDays'
  | 'dueDay'
  | 'collectionId'
>

/** How prices are stated before the workshop is known. */
export const noTax: TaxTerms = { taxName: '', taxShare: 0, isTaxIncluded: true }

/** The ways to make an order, each with the days on which it could be promised. */
export function useQuote(order: () => Asked | undefined) {
  const season = useSeason()
  const prices = usePrices()
  const promises = shallowRef<readonly DeliveryDate[]>([])
  const isLooking = ref(false)

  const options = computed<readonly QuoteOption[]>(() => {
    const now = order()
    const kept = season.recipe(now?.recipeId)
    const recipe = kept && season.withKnownMaterials(kept)
    const { workshop } = season
    if (!now || !recipe || !workshop || isRefused(checkRecipe(recipe))) return []
    const { pricing } = workshop
    return quoteOptions(
      {
        bars: now.bars,
        labelMassG: now.labelMassG,
        recipe,
        scent: now.scent && { ...now.scent, supplierLimit: null },
        colours: now.colours.map((colour) => ({ ...colour, share: 1 / now.colours.length })),
        bevelled: now.bevelled,
        stamped: now.stampLeadDays !== null,
      },
      season.moulds,
      {
        ...workshop,
        ...pricing,
        hourCents: hourCostCents(pricing),
        marginShare: workshop.quoting.marginShare,
        tax: workshop.quoting,
        hours: {
          setup: workshop.setupHours,
          prep: workshop.prepHours,
          pour: workshop.pourHours,
          cut: workshop.cutHours,
        },
        thicknessStepMm: lengthStepMm(workshop.lengthUnit, workshop.inchStyle),
        prices: prices.value,
      },
    )
  })

  /** The batches of an option as the season sees them, without days yet. */
  function batchesOf(option: QuoteOption, now: Asked): readonly SeasonBatch[] {
    const recipe = season.recipe(now.recipeId)
    const { workshop } = season
    if (!recipe || !workshop) return []
    return option.batches.map((batch, index) => ({
      id: `asked:${index}`,
      name: now.client,
      ...batch,
      demand: batchDemand(recipe, workshop),
      days: undefined,
      neededDay: now.dueDay,
      earliestDay: now.stampLeadDays === null ? undefined : addDays(season.today, now.stampLeadDays),
      trays: traysFor(batch.barsWanted, workshop.barsPerTray),
      weight: orderWeight,
      status: 'planned',
      isPinned: false,
    }))
  }

  /** The season with the batches of an option in it that seek their days. */
  function seasonWith(option: QuoteOption, now: Asked, view: SeasonView) {
    const wished = batchesOf(option, now)
    return { wished, dated: seasonOf([...seasonBatches(view), ...wished], seasonLimits(view), view.today) }
  }

  /** Why an option finds no day, whatever else is moved for it. */
  function whyNoRoom(option: QuoteOption): readonly Finding[] {
    const now = order()
    if (!now || !season.view) return []
    const { wished, dated } = seasonWith(option, now, season.view)
    const [first] = wished
    return first ? noDayFindings(new OpenSeason(dated), first.id, season.mouldNames) : []
  }

  let asked = 0
  watch(
    [options, () => season.view],
    async () => {
      const now = order()
      const { view } = season
      const mine = (asked += 1)
      promises.value = []
      if (!now || !view || now.collectionId !== null || options.value.length === 0) return
      isLooking.value = true
      const questions = options.value.map((option) => {
        const { wished, dated } = seasonWith(option, now, view)
        const { problem, placements, pinned } = dated
        return { problem, standing: placements, pinned, wished: wished.map(({ id }) => id) }
      })
      await promisesInWorker(questions, (answer) => {
        if (mine === asked) promises.value = [...promises.value, answer]
      })
      if (mine === asked) isLooking.value = false
    },
    { immediate: true },
  )

  return { options, promises, isLooking, whyNoRoom }
}
