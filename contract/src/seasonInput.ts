import type { Day } from '@vendange/core/calendar'
import { firstDayInZone } from '@vendange/core/calendar'
import type { BatchOfSeason, DatedSeason, SeasonLimits, WorkingHours } from '@vendange/core/season'
import { batchDemand, collectionWeight, orderWeight, seasonOf, traysFor } from '@vendange/core/season'
import type { SavedCollection } from './schemas/plan'
import type { BatchSummary, LoafSummary, SeasonView } from './views'

/** Day in the workshop's zone on which the first of a collection's buyers may buy. */
export function neededDayOf(
  collection: Pick<SavedCollection, 'releaseLocal' | 'releaseZone' | 'early'>,
  workshopZone: string,
): Day {
  const moments = [collection.releaseLocal, ...collection.early.map(({ local }) => local)]
  return firstDayInZone(moments, collection.releaseZone, workshopZone)
}

/** When the workshop works: the hours of those who work here, and the days that differ for all of them. */
export function workingHours(view: Pick<SeasonView, 'workshop' | 'makers'>): WorkingHours {
  return { makers: view.makers.filter(({ isRemoved }) => !isRemoved), exceptions: view.workshop.exceptions }
}

/** What the workshop has, for planning. */
export function seasonLimits(view: Pick<SeasonView, 'workshop' | 'makers' | 'moulds'>): SeasonLimits {
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

function standingOf(batch: BatchSummary, loaves: readonly LoafSummary[]): BatchOfSeason['status'] {
  if (batch.status === 'planned') return 'planned'
  if (loaves.length > 0 && loaves.every(({ state }) => state.status === 'released')) return 'gone'
  return loaves.length > 0 && loaves.every(({ state }) => state.cut) ? 'curing' : 'in_mould'
}

/** The batches of a season as core plans them. */
export function seasonBatches(view: SeasonView): readonly BatchOfSeason[] {
  const collections = new Map(view.collections.map((collection) => [collection.id, collection]))
  const designs = new Map(view.designs.map((design) => [design.id, design]))
  const ordered = new Set(view.orders.flatMap(({ collectionId }) => (collectionId === null ? [] : [collectionId])))
  const loavesOf = new Map<string, LoafSummary[]>()
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

/** Put before a design's id for the batch that it does not have yet. */
export const unplannedPrefix = 'new:'

/** Soaps still to come that have a recipe and a mould but no day yet, as batches that seek one. */
export function unplannedBatches(view: SeasonView): readonly BatchOfSeason[] {
  const collections = new Map(view.collections.map((collection) => [collection.id, collection]))
  const recipes = new Map(view.recipes.map((recipe) => [recipe.id, recipe]))
  const hasBatch = new Set(view.batches.map(({ designId }) => designId))
  return view.designs.flatMap((design) => {
    const collection = collections.get(design.collectionId)
    const recipe = design.recipeId === null ? undefined : recipes.get(design.recipeId)
    if (design.isRemoved || hasBatch.has(design.id) || !collection || collection.isRemoved || !recipe) return []
    const neededDay = neededDayOf(collection, view.workshop.timeZone)
    if (design.mouldId === null || neededDay < view.today) return []
    return [
      {
        id: unplannedPrefix + design.id,
        name: design.name,
        mouldId: design.mouldId,
        mouldCount: design.mouldCount,
        moreMoulds: design.moreMoulds,
        demand: batchDemand(recipe, view.workshop),
        days: undefined,
        neededDay,
        earliestDay: design.earliestDay ?? undefined,
        trays: traysFor(design.barsWanted, view.workshop.barsPerTray),
        weight: collectionWeight,
        status: 'planned',
        isPinned: false,
      },
    ]
  })
}

/** The calendar as a problem to plan, today as its day 0. */
export function datedSeason(view: SeasonView): DatedSeason {
  return seasonOf(seasonBatches(view), seasonLimits(view), view.today)
}

/** The same with the soaps that have no day yet. */
export function seasonToPlan(view: SeasonView): DatedSeason {
  return seasonOf([...seasonBatches(view), ...unplannedBatches(view)], seasonLimits(view), view.today)
}
