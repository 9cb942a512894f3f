import type {
  BatchSummary,
  LoafSummary,
  SavedOrder,
  SavedCollection,
  SavedDesign,
  SavedMould,
  SavedRecipe,
  SeasonView,
} from '@vendange/contract'
import { promiseKeys } from '@vendange/core/plan'
import { promiseWords } from '@vendange/words'
import { endpoints } from '@vendange/contract'
import type { BatchSource, DesignYield } from '@vendange/core/batch'
import { designYield } from '@vendange/core/batch'
import type { Day } from '@vendange/core/calendar'
import type { Fat } from '@vendange/core/fats'
import { fatTable, ownFatKey } from '@vendange/core/fats'
import type { Recipe } from '@vendange/core/recipe'
import { fatOf } from '@vendange/core/recipe'
import type { SeasonBatch, CollectionVerdict, FillsMoulds, PlannedBatch, SeasonLimits } from '@vendange/core/season'
import {
  OpenSeason,
  collectionVerdict,
  datedSeason,
  mouldsOfBatch,
  neededDayOf,
  seasonBatches,
  seasonLimits,
  seasonOf,
  seasonToAsk,
  seekingBatches,
  unplannedPrefix,
} from '@vendange/core/season'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api, problemOf, storedMakerId, storeMakerId } from './api'

const noLimits: SeasonLimits = {
  working: { makers: [], exceptions: [] },
  setupHours: 0,
  mouldCounts: {},
  ovenSlots: 0,
  trays: 0,
  bufferDays: 0,
}

/** All that steers time, loaded once and again after every change. */
export const useSeason = defineStore('season', () => {
  const view = shallowRef<SeasonView>()
  const trouble = ref<string>()
  const makerId = ref(storedMakerId())

  // Replies may come in another order than they were asked for: an older one takes nothing back.
  let asked = 0
  let answered = 0
  async function load(): Promise<void> {
    const turn = ++asked
    try {
      const reply = await api(endpoints.season)
      if (turn < answered) return
      answered = turn
      view.value = reply
      trouble.value = undefined
      const known = view.value.makers.filter(({ isRemoved }) => !isRemoved)
      if (!known.some(({ id }) => id === makerId.value)) chooseMaker(known[0]?.id)
    } catch (error) {
      if (turn > answered) trouble.value = problemOf(error).detail
    }
  }

  function chooseMaker(id: string | undefined): void {
    makerId.value = id
    if (id !== undefined) storeMakerId(id)
  }

  const today = computed<Day>(() => view.value?.today ?? '1970-01-01')
  const workshop = computed(() => view.value?.workshop)
  const makers = computed(() => view.value?.makers.filter(({ isRemoved }) => !isRemoved) ?? [])
  const moulds = computed(() => view.value?.moulds.filter(({ isRemoved }) => !isRemoved) ?? [])
  const recipes = computed(() => view.value?.recipes.filter(({ isRemoved }) => !isRemoved) ?? [])
  const collections = computed(() => view.value?.collections.filter(({ isRemoved }) => !isRemoved) ?? [])
  const designs = computed(() => view.value?.designs.filter(({ isRemoved }) => !isRemoved) ?? [])
  const batches = computed(() => view.value?.batches ?? [])
  const loaves = computed(() => view.value?.loaves ?? [])
  const orders = computed(() => view.value?.orders.filter(({ isRemoved }) => !isRemoved) ?? [])

  const find = <T extends { readonly id: string }>(
    things: readonly T[] | undefined,
    id: string | null | undefined,
  ): T | undefined => things?.find((thing) => thing.id === id)
  /** By how much something multiplies the working time here, where the workshop knows better than the model. */
  const ownFactors = computed<Readonly<Record<string, number>>>(() =>
    Object.fromEntries((workshop.value?.ownFactors ?? []).map(({ key, times }) => [key, times])),
  )
  const design = (id: string | null | undefined): SavedDesign | undefined => find(view.value?.designs, id)
  const recipe = (id: string | null | undefined): SavedRecipe | undefined => find(view.value?.recipes, id)
  /** A recipe to reckon with: its fats as the certificates of the lots at hand narrow them. */
  const withKnownFats = <T extends Pick<Recipe, 'fats'>>(of: T): T & Pick<Recipe, 'knownFats'> => ({
    ...of,
    knownFats: view.value?.knownFats ?? [],
  })
  const ownFats = computed(() => view.value?.ownFats.filter(({ isRemoved }) => !isRemoved) ?? [])
  /** The fats to choose from: the workshop's own, then those of the table. */
  const fats = computed<readonly Fat[]>(() => [
    ...ownFats.value.flatMap(({ id }) => fatOf({ knownFats: view.value?.knownFats ?? [] }, ownFatKey(id)) ?? []),
    ...fatTable,
  ])
  /** A fat as the workshop has it. */
  const fat = (key: string): Fat | undefined => fatOf({ knownFats: view.value?.knownFats ?? [] }, key)
  /** What a soap may claim, to choose from. */
  const claims = computed(() => [
    ...promiseKeys.map((value) => ({ value: value as string, title: promiseWords[value] })),
    ...(workshop.value?.ownClaims ?? []).map(({ key, name }) => ({ value: key, title: name })),
  ])
  const mould = (id: string | null | undefined): SavedMould | undefined => find(view.value?.moulds, id)
  /** "2 × Long loaf and Tray". */
  const mouldWords = (of: FillsMoulds): string =>
    [...mouldsOfBatch(of)]
      .map(([id, count]) => `${count === 1 ? '' : `${count} × `}${mould(id)?.name ?? ''}`)
      .join(' and ')
  const collection = (id: string | null | undefined): SavedCollection | undefined => find(view.value?.collections, id)
  const order = (id: string | null | undefined): SavedOrder | undefined => find(view.value?.orders, id)
  const loaf = (id: string): LoafSummary | undefined => find(loaves.value, id)
  const batchOf = (designId: string): BatchSummary | undefined =>
    batches.value.find((batch) => batch.designId === designId)
  const batchesOf = (designId: string): readonly BatchSummary[] =>
    batches.value.filter((batch) => batch.designId === designId)

  /** The batches in the form in which core plans. */
  const plan = computed<readonly PlannedBatch[]>(() => batches.value)
  const limits = computed<SeasonLimits>(() => (view.value ? seasonLimits(view.value) : noLimits))
  /** The season as the planning problem, today as its day 0. */
  const dated = computed(() => view.value && datedSeason(view.value))
  /** The same with every soap that seeks a day: what is asked for free days, on every page. */
  const askable = computed(() => (view.value ? seasonToAsk(view.value) : seasonOf([], noLimits, today.value)))
  const open = computed(() => new OpenSeason(askable.value))
  const mouldNames = computed(() => Object.fromEntries(moulds.value.map(({ id, name }) => [id, name])))

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
    return { design: of, recipe: withKnownFats(itsRecipe), mould: itsMould, more, settings: workshop.value }
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

  const lineUp = (collectionId: string): readonly SavedDesign[] =>
    designs.value.filter((one) => one.collectionId === collectionId)

  /** Whether and how a collection makes its day. */
  function verdict(of: SavedCollection): CollectionVerdict {
    const isOut = of.state === 'released' || of.state === 'looked_back'
    const soaps = lineUp(of.id).flatMap((one) => {
      const its = batchesOf(one.id)
      const places = its.length > 0 ? its : [null]
      return places.map((batch) => ({
        designId: one.id,
        name: batch?.name ?? one.name,
        batch,
        // Pours of a collection that came out long ago are not on the calendar any more.
        poured: batch ? batch.status === 'poured' : isOut,
        // The one day that is sought is for a design poured at once.
        seeking: its.length > 1 ? null : (seeking(one) ?? null),
      }))
    })
    return collectionVerdict(neededDay(of), soaps, askable.value)
  }

  return {
    view,
    trouble,
    load,
    makerId,
    chooseMaker,
    today,
    workshop,
    makers,
    moulds,
    recipes,
    collections,
    designs,
    ownFactors,
    batches,
    loaves,
    orders,
    order,
    batchesOf,
    dated,
    mouldNames,
    design,
    recipe,
    withKnownFats,
    ownFats,
    claims,
    fats,
    fat,
    mould,
    mouldWords,
    collection,
    loaf,
    batchOf,
    plan,
    limits,
    open,
    neededDay,
    seeking,
    sourceOf,
    yieldOf,
    lineUp,
    verdict,
  }
})
