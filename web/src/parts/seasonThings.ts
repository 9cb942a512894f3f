import type {
  BatchSummary,
  LoafSummary,
  OwedSale,
  SavedCollection,
  SavedDesign,
  SavedMould,
  SavedOrder,
  SavedRecipe,
  SeasonView,
} from '@vendange/contract'
import type { Fat } from '@vendange/core/fats'
import { fatTable, ownFatKey } from '@vendange/core/fats'
import { promiseKeys } from '@vendange/core/plan'
import type { Recipe } from '@vendange/core/recipe'
import { fatOf } from '@vendange/core/recipe'
import type { FillsMoulds } from '@vendange/core/season'
import { mouldsOfBatch } from '@vendange/core/season'
import { promiseWords } from '@vendange/words'
import type { Ref } from 'vue'
import { computed } from 'vue'

/** What the season's view holds, in lists of what is there and to be found by its id. */
export function seasonThings(view: Readonly<Ref<SeasonView | undefined>>) {
  const workshop = computed(() => view.value?.workshop)
  const makers = computed(() => view.value?.makers.filter(({ isRemoved }) => !isRemoved) ?? [])
  const moulds = computed(() => view.value?.moulds.filter(({ isRemoved }) => !isRemoved) ?? [])
  const recipes = computed(() => view.value?.recipes.filter(({ isRemoved }) => !isRemoved) ?? [])
  const collections = computed(() => view.value?.collections.filter(({ isRemoved }) => !isRemoved) ?? [])
  const designs = computed(() => view.value?.designs.filter(({ isRemoved }) => !isRemoved) ?? [])
  const batches = computed(() => view.value?.batches ?? [])
  const loaves = computed(() => view.value?.loaves ?? [])
  const orders = computed(() => view.value?.orders.filter(({ isRemoved }) => !isRemoved) ?? [])
  // A view that was kept on a device before there were any has no list of them.
  const owedSales = computed<readonly OwedSale[]>(
    () => (view.value as Partial<SeasonView> | undefined)?.owedSales ?? [],
  )
  const mouldNames = computed(() => Object.fromEntries(moulds.value.map(({ id, name }) => [id, name])))

  const find = <T extends { readonly id: string }>(
    things: readonly T[] | undefined,
    id: string | null | undefined,
  ): T | undefined => things?.find((thing) => thing.id === id)
  /** By how much something multiplies the working time here, where the workshop knows better than the model. */
  const ownFactors = computed<Readonly<Record<string, number>>>(() =>
    Object.fromEntries((workshop.value?.ownFactors ?? []).map(({ key, times }) => [key, times])),
  )
  const design = (id: string | null | undefined): SavedDesign | undefined => find(view.value?.designs, id)
  /** What a bar of a soap costs in public, cents: its own price, else that of the workshop's bars. */
  const barCentsOf = (designId: string): number => design(designId)?.barCents ?? workshop.value?.pricing.barCents ?? 0
  const recipe = (id: string | null | undefined): SavedRecipe | undefined => find(view.value?.recipes, id)
  /** A recipe to reckon with: its materials as the stores know them. */
  const withKnownMaterials = <T extends Pick<Recipe, 'fats'>>(
    of: T,
  ): T & Pick<Recipe, 'knownFats' | 'knownDensities' | 'knownMakeups'> => ({
    ...of,
    knownFats: view.value?.knownFats ?? [],
    knownDensities: view.value?.knownDensities ?? [],
    knownMakeups: view.value?.knownMakeups ?? [],
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
  const lineUp = (collectionId: string): readonly SavedDesign[] =>
    designs.value.filter((one) => one.collectionId === collectionId)

  return {
    workshop,
    makers,
    moulds,
    recipes,
    collections,
    designs,
    batches,
    loaves,
    orders,
    owedSales,
    ownFats,
    fats,
    claims,
    ownFactors,
    mouldNames,
    design,
    barCentsOf,
    recipe,
    withKnownMaterials,
    fat,
    mould,
    mouldWords,
    collection,
    order,
    loaf,
    batchOf,
    batchesOf,
    lineUp,
  }
}

export type SeasonThings = ReturnType<typeof seasonThings>
