import type { SavedCollection, SavedDesign, SeasonView } from '@vendange/contract'
import type { BatchSource, DesignYield } from '@vendange/core/batch'
import { designYield } from '@vendange/core/batch'
import type { Day } from '@vendange/core/calendar'
import type { CollectionVerdict, PlannedBatch, SeasonBatch, SeasonLimits } from '@vendange/core/season'
import {
  OpenSeason,
  collectionVerdict,
  datedSeason,
  isOut,
  neededDayOf,
  seasonBatches,
  seasonLimits,
  seasonOf,
  seasonToAsk,
  seekingBatches,
  unplannedPrefix,
} from '@vendange/core/season'
import type { SoapCount } from '@vendange/core/loaf'
import { soapCount } from '@vendange/core/loaf'
import type { Ref } from 'vue'
import { computed } from 'vue'
import type { SeasonThings } from './seasonThings'

const noLimits: SeasonLimits = {
  working: { makers: [], exceptions: [] },
  setupHours: 0,
  mouldCounts: {},
  ovenSlots: 0,
  trays: 0,
  bufferDays: 0,
}

/** What core makes of the season's view: its calendar, and what its soaps give and make. */
export function seasonPlan(
  view: Readonly<Ref<SeasonView | undefined>>,
  today: Readonly<Ref<Day>>,
  {
    workshop,
    batches,
    loaves,
    collection,
    recipe,
    mould,
    withKnownMaterials,
    batchOf,
    batchesOf,
    lineUp,
    mouldNames,
  }: SeasonThings,
) {
  /** The batches in the form in which core plans. */
  const plan = computed<readonly PlannedBatch[]>(() => batches.value)
  const limits = computed<SeasonLimits>(() => (view.value ? seasonLimits(view.value) : noLimits))
  /** The season as the planning problem, today as its day 0. */
  const dated = computed(() => view.value && datedSeason(view.value))
  /** The same with every soap that seeks a day: what is asked for free days, on every page. */
  const askable = computed(() => (view.value ? seasonToAsk(view.value) : seasonOf([], noLimits, today.value)))
  const open = computed(() => new OpenSeason(askable.value))

  /** Day in the workshop's own zone on which the first buyers may buy. */
  function neededDay(of: Pick<SavedCollection, 'releaseLocal' | 'releaseZone' | 'early'>): Day {
    return neededDayOf(of, workshop.value?.timeZone ?? of.releaseZone)
  }

  const seekers = computed<ReadonlyMap<string, SeasonBatch>>(() => {
    const all = view.value ? [...seasonBatches(view.value), ...seekingBatches(view.value)] : []
    return new Map(all.map((batch) => [batch.id, batch]))
  })
  /** What a design asks of the calendar, with a day or without one; undefined while recipe or mould is not chosen. */
  const seeking = (of: Pick<SavedDesign, 'id'>): SeasonBatch | undefined =>
    seekers.value.get(batchOf(of.id)?.id ?? unplannedPrefix + of.id)

  /** A design with what it is made by; undefined while recipe or mould is not chosen. */
  function sourceOf(of: Omit<SavedDesign, 'id' | 'version' | 'isRemoved'>): BatchSource | undefined {
    const itsRecipe = recipe(of.recipeId)
    const itsMould = mould(of.mouldId)
    if (!itsRecipe || !itsMould || !workshop.value) return undefined
    const more = of.moreMoulds.flatMap(({ mouldId, count }) => {
      const one = mould(mouldId)
      return one ? [{ mould: one, count }] : []
    })
    return { design: of, recipe: withKnownMaterials(itsRecipe), mould: itsMould, more, settings: workshop.value }
  }

  /** The bars that a design gives, of all its pours; undefined while recipe or mould is not chosen. */
  function yieldOf(of: SavedDesign): DesignYield | undefined {
    const source = sourceOf(of)
    const parts = batchesOf(of.id).flatMap(({ part }) => {
      const its = mould(part?.mouldId)
      return part && its ? [{ part, mould: its }] : []
    })
    return source && designYield(source, parts)
  }

  /**
   * The bars of a soap over all its pours and loaves, those that failed left out. What came out long ago is sold and not
   * in sight any more: it counts as it was planned.
   */
  function countOf(of: SavedDesign): SoapCount {
    const its = collection(of.collectionId)
    const isHistory = its !== undefined && isOut(its)
    const pours = isHistory ? [] : batchesOf(of.id)
    const made = isHistory ? [] : loaves.value.filter(({ designId }) => designId === of.id)
    const planned = { id: '', status: 'planned', bars: yieldOf(of)?.bars ?? 0 } as const
    return soapCount(of.barsWanted, pours.length + made.length > 0 ? pours : [planned], made)
  }

  /** Whether and how a collection makes its day. */
  function verdict(of: SavedCollection): CollectionVerdict {
    const soaps = lineUp(of.id).flatMap((one) => {
      const its = batchesOf(one.id)
      const places = its.length > 0 ? its : [null]
      return places.map((batch) => ({
        designId: one.id,
        name: batch?.name ?? one.name,
        batch,
        // Pours of a collection that came out long ago are not on the calendar any more.
        poured: batch ? batch.status === 'poured' : isOut(of),
        // Each pour seeks a day of its own.
        seeking: (batch ? seekers.value.get(batch.id) : seeking(one)) ?? null,
      }))
    })
    return collectionVerdict(neededDay(of), soaps, askable.value, mouldNames.value)
  }

  return { plan, limits, dated, open, neededDay, seeking, sourceOf, yieldOf, countOf, verdict }
}
