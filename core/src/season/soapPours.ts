import type { PourPart } from '../batch'
import type { Day } from '../calendar'
import { addDays } from '../calendar'
import type { Finding } from '../findings'
import { batchDemand } from './batchDays'
import { barsOfBatch } from './mouldsOfBatch'
import { OpenSeason } from './openSeason'
import type { SeasonBatch } from './seasonOf'
import { collectionWeight, seasonOf, traysFor } from './seasonOf'
import type { SeasonSource } from './seasonSource'
import { neededDayOf, seasonBatches, seasonLimits, seekingBatches } from './seasonSource'
import { noDayFindings } from './whyNoDay'

/** A part of a soap with the days found for it. */
export interface PlacedPart {
  readonly part: PourPart
  readonly pourDay: Day
  readonly cutDay: Day
  /** Negative: ready so many days after it is needed. */
  readonly slackDays: number
}

/** Where the pours of a soap find room, or why one of them finds none. */
export type PlacedParts =
  | { readonly parts: readonly PlacedPart[] }
  | { readonly parts: undefined; readonly missing: PourPart; readonly why: readonly Finding[] }

const seekingId = (at: number): string => `part:${at}`

/**
 * Finds days for the pours of a soap, one after the other, each on the last free day from which it is ready in time, so
 * that none counts on the mould or the hours of another. What the soap has planned already makes room for them; what is
 * poured stays.
 *
 * @param mouldNames names of the mould kinds
 * @param keepsPlanned whether the pours that are planned stay where they are. @default false
 * @returns the parts in the order of their days; undefined while the soap has no recipe or is of no collection
 * @throws {RangeError} if a day is no day
 */
export function placePours(
  view: SeasonSource,
  designId: string,
  parts: readonly PourPart[],
  mouldNames: Readonly<Record<string, string>>,
  keepsPlanned = false,
): PlacedParts | undefined {
  const design = view.designs.find(({ id }) => id === designId)
  const collection = view.collections.find(({ id }) => id === design?.collectionId)
  const recipe = view.recipes.find(({ id }) => id === design?.recipeId)
  if (!design || !collection || !recipe) return undefined
  const moulds = new Map(view.moulds.map((mould) => [mould.id, mould]))
  const replaced = new Set(
    keepsPlanned
      ? []
      : view.batches.flatMap(({ id, designId: its, status }) => (its === designId && status === 'planned' ? [id] : [])),
  )
  const seeking = parts.map((part, at): SeasonBatch => ({
    id: seekingId(at),
    name: design.name,
    mouldId: part.mouldId,
    mouldCount: part.mouldCount,
    moreMoulds: [],
    demand: batchDemand(recipe, view.workshop),
    days: undefined,
    neededDay: neededDayOf(collection, view.workshop.timeZone),
    earliestDay: design.earliestDay ?? undefined,
    trays: traysFor(barsOfBatch(part, moulds, part.barThicknessMm) ?? part.barsWanted, view.workshop.barsPerTray),
    weight: collectionWeight,
    status: 'planned',
    isPinned: false,
  }))
  const others = [...seasonBatches(view), ...seekingBatches(view)].filter(({ id }) => !replaced.has(id))
  const open = new OpenSeason(seasonOf([...others, ...seeking], seasonLimits(view), view.today))
  const placed: PlacedPart[] = []
  // The last one first: each takes the last day that is free, and the fuller ones are to be poured early.
  for (const [at, part] of [...parts.entries()].reverse()) {
    const best = open.bestDay(seekingId(at))
    if (!best) return { parts: undefined, missing: part, why: noDayFindings(open, seekingId(at), mouldNames) }
    open.place(seekingId(at), best.pour, best.cut)
    const on = (day: number): Day => addDays(view.today, day)
    placed.push({ part, pourDay: on(best.pour), cutDay: on(best.cut), slackDays: best.slackDays })
  }
  return { parts: placed.sort((a, b) => a.pourDay.localeCompare(b.pourDay)) }
}
