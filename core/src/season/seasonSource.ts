import type { Day } from '../calendar'
import { addDays, firstDayInZone } from '../calendar'
import type { BarCut } from '../cutting'
import type { Mould } from '../mould'
import { batchDemand } from './batchDays'
import { barsOfBatch } from './mouldsOfBatch'
import type { PlannedBatch } from './plannedBatch'
import type { SeasonBatch, DatedSeason, SeasonLimits } from './seasonOf'
import { collectionWeight, orderWeight, seasonOf, traysFor } from './seasonOf'
import type { MakerHours, WorkingHours } from './workingHours'

interface Removable {
  readonly isRemoved: boolean
}

/** A collection as planning sees it: when its buyers may buy. */
export interface ReleaseMoments {
  /** Wall time in `releaseZone`. */
  readonly releaseLocal: string
  readonly releaseZone: string
  /** Moments before it at which some may buy already, in the same zone. */
  readonly early: readonly { readonly local: string }[]
}

/** Hours, racks and oven of a workshop. */
export interface WorkshopMeans extends Pick<WorkingHours, 'exceptions'> {
  readonly timeZone: string
  readonly setupHours: number
  readonly prepHours: number
  readonly prepAheadDays: number
  readonly pourHours: number
  readonly cutHours: number
  readonly ovenSlots: number
  readonly bufferDays: number
  readonly barsPerTray: number
  readonly racks: readonly { readonly trays: number }[]
}

/** A soap that may seek a day: its recipe and mould may not be chosen yet. */
interface SeekingDesign extends Removable {
  readonly id: string
  readonly name: string
  readonly collectionId: string
  readonly recipeId: string | null
  readonly mouldId: string | null
  readonly mouldCount: number
  readonly moreMoulds: readonly { readonly mouldId: string; readonly count: number }[]
  readonly barsWanted: number
  readonly earliestDay: Day | null
}

interface StandingBatch extends PlannedBatch {
  readonly designId: string
  /** Bars that its moulds give. */
  readonly bars: number
  readonly isPinned: boolean
  readonly status: 'planned' | 'in_work' | 'poured'
}

interface StandingLoaf {
  readonly batchId: string
  readonly state: { readonly status: string; readonly cut?: object | undefined }
}

/** A workshop with all that it has planned and made, as far as planning is concerned. */
export interface SeasonSource {
  readonly today: Day
  readonly workshop: WorkshopMeans
  readonly makers: readonly (MakerHours & Removable)[]
  readonly moulds: readonly (Removable & Mould & BarCut & { readonly id: string; readonly count: number })[]
  readonly recipes: readonly (Parameters<typeof batchDemand>[0] & { readonly id: string })[]
  readonly collections: readonly (ReleaseMoments & Removable & { readonly id: string; readonly state: string })[]
  readonly designs: readonly SeekingDesign[]
  readonly orders: readonly { readonly collectionId: string | null }[]
  readonly batches: readonly StandingBatch[]
  readonly loaves: readonly StandingLoaf[]
}

/** Whether a collection has come out, so that its pours are history. */
export const isOut = ({ state }: { readonly state: string }): boolean => state === 'released' || state === 'looked_back'

/** Day in the workshop's zone on which the first of a collection's buyers may buy. */
export function neededDayOf(collection: ReleaseMoments, workshopZone: string): Day {
  const moments = [collection.releaseLocal, ...collection.early.map(({ local }) => local)]
  return firstDayInZone(moments, collection.releaseZone, workshopZone)
}

/** Who works when. */
interface SourceOfHours {
  readonly workshop: Pick<WorkshopMeans, 'exceptions'>
  readonly makers: readonly (MakerHours & Removable)[]
}

/** When the workshop works: the hours of those who work here, and the days that differ for all of them. */
export function workingHours(view: SourceOfHours): WorkingHours {
  return { makers: view.makers.filter(({ isRemoved }) => !isRemoved), exceptions: view.workshop.exceptions }
}

/** What the workshop has, for planning. */
export function seasonLimits(
  view: Pick<SeasonSource, 'workshop' | 'makers'> & {
    readonly moulds: readonly (Removable & { readonly id: string; readonly count: number })[]
  },
): SeasonLimits {
  const { setupHours, ovenSlots, bufferDays, racks } = view.workshop
  return {
    working: workingHours(view),
    setupHours,
    ovenSlots,
    bufferDays,
    trays: racks.reduce((sum, { trays }) => sum + trays, 0),
    mouldCounts: Object.fromEntries(view.moulds.map(({ id, isRemoved, count }) => [id, isRemoved ? 0 : count])),
  }
}

function standingOf(batch: StandingBatch, loaves: readonly StandingLoaf[]): SeasonBatch['status'] {
  if (batch.status === 'planned') return 'planned'
  if (loaves.length > 0 && loaves.every(({ state }) => state.status === 'released')) return 'gone'
  return loaves.length > 0 && loaves.every(({ state }) => state.cut) ? 'curing' : 'in_mould'
}

/** Put before a design's id for the batch that it does not have yet. */
export const unplannedPrefix = 'new:'

/** The batches of a season as they are planned. */
export function seasonBatches(view: SeasonSource): readonly SeasonBatch[] {
  const collections = new Map(view.collections.map((collection) => [collection.id, collection]))
  const designs = new Map(view.designs.map((design) => [design.id, design]))
  const ordered = new Set(view.orders.flatMap(({ collectionId }) => (collectionId === null ? [] : [collectionId])))
  const loavesOf = new Map<string, StandingLoaf[]>()
  for (const loaf of view.loaves) loavesOf.set(loaf.batchId, [...(loavesOf.get(loaf.batchId) ?? []), loaf])
  return view.batches.map((batch) => {
    const design = designs.get(batch.designId)
    const collection = design && collections.get(design.collectionId)
    return {
      ...batch,
      neededDay: collection && neededDayOf(collection, view.workshop.timeZone),
      earliestDay: design?.earliestDay ?? undefined,
      trays: traysFor(batch.bars, view.workshop.barsPerTray),
      weight: collection && ordered.has(collection.id) ? orderWeight : collectionWeight,
      status: standingOf(batch, loavesOf.get(batch.id) ?? []),
    }
  })
}

/** Soaps that have a recipe and a mould but no day yet, as batches that seek one, whether there is still time or not. */
export function seekingBatches(view: SeasonSource): readonly SeasonBatch[] {
  const collections = new Map(view.collections.map((collection) => [collection.id, collection]))
  const recipes = new Map(view.recipes.map((recipe) => [recipe.id, recipe]))
  const hasBatch = new Set(view.batches.map(({ designId }) => designId))
  const moulds = new Map(view.moulds.map((mould) => [mould.id, mould]))
  return view.designs.flatMap((design) => {
    const collection = collections.get(design.collectionId)
    const recipe = design.recipeId === null ? undefined : recipes.get(design.recipeId)
    if (design.isRemoved || hasBatch.has(design.id) || !collection || collection.isRemoved || !recipe) return []
    const { mouldId } = design
    if (mouldId === null) return []
    // Racks hold what the moulds give, be it more or less than is wanted.
    const bars = barsOfBatch({ ...design, mouldId }, moulds) ?? design.barsWanted
    return [
      {
        id: unplannedPrefix + design.id,
        name: design.name,
        mouldId,
        mouldCount: design.mouldCount,
        moreMoulds: design.moreMoulds,
        demand: batchDemand(recipe, view.workshop),
        days: undefined,
        neededDay: neededDayOf(collection, view.workshop.timeZone),
        earliestDay: design.earliestDay ?? undefined,
        trays: traysFor(bars, view.workshop.barsPerTray),
        weight: collectionWeight,
        status: 'planned',
        isPinned: false,
      },
    ]
  })
}

/** Those of them that are still to come: what was needed before today is not planned any more. */
export function unplannedBatches(view: SeasonSource): readonly SeasonBatch[] {
  return seekingBatches(view).filter(({ neededDay }) => neededDay === undefined || neededDay >= view.today)
}

/** A soap that was needed longer ago is not missed any more, days. A choice of the house. */
const mostDaysLate = 14

/** A soap of a collection still to come that a plan leaves without a day. */
export interface SoapWithoutDay {
  readonly designId: string
  readonly name: string
  /** Mould or recipe is missing; it was needed before today; or no free day was found. */
  readonly why: 'incomplete' | 'needed_before_today' | 'no_free_day'
}

/**
 * The soaps that have no day once a plan is taken, those that it could not even look at among them.
 *
 * @param planned ids of the batches that the plan gives a day
 */
export function soapsWithoutDay(view: SeasonSource, planned: ReadonlySet<string>): readonly SoapWithoutDay[] {
  const collections = new Map(view.collections.map((collection) => [collection.id, collection]))
  const seeking = new Set(seekingBatches(view).map(({ id }) => id))
  const hasBatch = new Set(view.batches.map(({ designId }) => designId))
  return view.designs.flatMap((design): readonly SoapWithoutDay[] => {
    const collection = collections.get(design.collectionId)
    if (design.isRemoved || hasBatch.has(design.id) || !collection || collection.isRemoved) return []
    const neededDay = neededDayOf(collection, view.workshop.timeZone)
    const isPast = neededDay < view.today
    // Further back than the calendar is kept, nobody can tell whether it was poured.
    if (neededDay < addDays(view.today, -mostDaysLate)) return []
    // What came out was poured, and is not on the calendar any more.
    if (planned.has(unplannedPrefix + design.id) || (isPast && isOut(collection))) return []
    const why = isPast ? 'needed_before_today' : seeking.has(unplannedPrefix + design.id) ? 'no_free_day' : 'incomplete'
    return [{ designId: design.id, name: design.name, why }]
  })
}

/** The calendar as a problem to plan, today as its day 0. */
export function datedSeason(view: SeasonSource): DatedSeason {
  return seasonOf(seasonBatches(view), seasonLimits(view), view.today)
}

/** The same with the soaps that have no day yet. */
export function seasonToPlan(view: SeasonSource): DatedSeason {
  return seasonOf([...seasonBatches(view), ...unplannedBatches(view)], seasonLimits(view), view.today)
}

/** The same with every soap that has no day, also those that would come too late: to ask for their days. */
export function seasonToAsk(view: SeasonSource): DatedSeason {
  return seasonOf([...seasonBatches(view), ...seekingBatches(view)], seasonLimits(view), view.today)
}
