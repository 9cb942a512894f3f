import type { Day } from '../calendar'
import { addDays, daysBetween } from '../calendar'
import type { BatchDays } from './batchDays'
import { mouldsOfBatch } from './mouldsOfBatch'
import type { Placement, ProblemBatch, SeasonProblem, Taken } from './problem/seasonProblem'
import { hoursTolerance } from './problem/seasonProblem'
import type { PlannedBatch } from './plannedBatch'
import { mostDaysAhead, mostDaysInMould } from './plannableDays'
import type { WorkingHours } from './workingHours'
import { usualPrepAhead } from './problem/prepDay'
import { hoursOn } from './workingHours'

/** A batch of the workshop as the season sees it. */
export interface SeasonBatch extends Omit<PlannedBatch, 'days'> {
  /** Undefined while a planned batch is not on the calendar yet. */
  readonly days: BatchDays | undefined
  /** Day its bars are needed in the workshop's zone; undefined when nothing waits for them. */
  readonly neededDay: Day | undefined
  /** First day it may be poured: a stamp or an ingredient is there. Undefined: any. */
  readonly earliestDay: Day | undefined
  /** Trays its bars take on the rack. */
  readonly trays: number
  /** Weight of its lateness. */
  readonly weight: number
  /** Where it stands: only `planned` ones may move. */
  readonly status: 'planned' | 'in_mould' | 'curing' | 'gone'
  /** Whether the maker has pinned it to its days. */
  readonly isPinned: boolean
}

/** What a workshop has, for planning. */
export interface SeasonLimits {
  readonly working: WorkingHours
  readonly setupHours: number
  readonly mouldCounts: Readonly<Record<string, number>>
  readonly ovenSlots: number
  /** Trays on all racks together. */
  readonly trays: number
  readonly bufferDays: number
}

/** A season to plan with the calendar it stands on. */
export interface DatedSeason {
  readonly firstDay: Day
  readonly problem: SeasonProblem
  /** Where the planned batches stand now. */
  readonly placements: readonly Placement[]
  readonly pinned: readonly Placement[]
  /** Batches that are in their moulds already, with the days on which they hold them. */
  readonly inMoulds: readonly (Placement & { readonly moulds: Readonly<Record<string, number>> })[]
  readonly nameOf: Readonly<Record<string, string>>
}

/** Lateness of a client's order weighs more than that of a release, which is the maker's own promise. A choice of the house. */
export const orderWeight = 3
export const collectionWeight = 1

/** Days that a season looks ahead at the least, so that a late batch still finds a day. */
export const leastHorizonDays = 180
const daysAfterLastNeed = 30
/** Days that a season looks ahead at the most: what lies beyond is not planned yet, whatever day was typed. */
export const mostHorizonDays = mostDaysAhead + mostDaysInMould

const within = (day: number, days: number): boolean => day >= 0 && day < days

/** Whether a pour that stands on its day had a working day before today to be prepared on. */
function isPrepared({ days, demand }: SeasonBatch, { working }: SeasonLimits, today: Day): boolean {
  const prepDay = days?.prepDay ?? undefined
  return prepDay !== undefined && prepDay < today && hoursOn(prepDay, working) + hoursTolerance >= demand.prepHours
}

/**
 * Turns the workshop's calendar into a season to plan, with `today` as day 0. Batches in a mould keep their moulds and
 * their cut hours, those on the rack their trays; hours of the past are nobody's concern. A pour beyond
 * {@link mostHorizonDays} is left out.
 *
 * @throws {RangeError} if a day is no day
 */
export function seasonOf(batches: readonly SeasonBatch[], limits: SeasonLimits, today: Day): DatedSeason {
  const number = (day: Day): number => daysBetween(today, day)
  const planned = batches.filter(
    ({ status, days }) => status === 'planned' && (days === undefined || number(days.cutDay) <= mostHorizonDays),
  )
  const last = Math.min(
    mostHorizonDays,
    Math.max(
      leastHorizonDays,
      ...planned.map(({ neededDay }) => (neededDay === undefined ? 0 : number(neededDay) + daysAfterLastNeed)),
      ...planned.map(({ days }) => (days === undefined ? 0 : number(days.cutDay) + daysAfterLastNeed)),
    ),
  )
  const horizon = last + 1
  const hours = Array.from({ length: horizon }, (_, day) => hoursOn(addDays(today, day), limits.working))
  const takenHours = new Array<number>(horizon).fill(0)
  const trays = new Array<number>(horizon).fill(0)
  const moulds: Record<string, number[]> = {}
  for (const kind of Object.keys(limits.mouldCounts)) moulds[kind] = new Array<number>(horizon).fill(0)
  for (const batch of batches) {
    if (batch.status === 'planned' || batch.status === 'gone' || batch.days === undefined) continue
    const cut = number(batch.days.cutDay)
    if (batch.status === 'in_mould') {
      // An overdue cut is still to be made: it holds its mould today and asks for today's hours.
      const cutOn = Math.max(0, cut)
      for (const [mouldId, count] of mouldsOfBatch(batch)) {
        const held = moulds[mouldId]
        for (let day = 0; held && day < Math.min(horizon, Math.max(1, cut)); day++) held[day]! += count
      }
      if (within(cutOn, horizon))
        takenHours[cutOn] = Math.min(hours[cutOn] ?? 0, (takenHours[cutOn] ?? 0) + batch.demand.cutHours)
    }
    const ready = number(batch.days.readyDay)
    const until = Math.min(horizon, Math.max(ready, batch.neededDay === undefined ? ready : number(batch.neededDay)))
    for (let day = Math.max(0, cut); day < until; day++) trays[day]! += batch.trays
  }
  const taken: Taken = { moulds, trays, hours: takenHours }
  const inMoulds = batches.flatMap((batch) =>
    batch.status === 'in_mould' && batch.days
      ? [
          {
            id: batch.id,
            moulds: Object.fromEntries(mouldsOfBatch(batch)),
            pour: number(batch.days.pourDay),
            cut: Math.max(1, number(batch.days.cutDay)),
          },
        ]
      : [],
  )
  const seasonBatches = planned.map((batch): ProblemBatch => ({
    id: batch.id,
    moulds: Object.fromEntries(mouldsOfBatch(batch)),
    prepHours: isPrepared(batch, limits, today) ? 0 : batch.demand.prepHours,
    prepAhead: batch.demand.prepAhead ?? usualPrepAhead,
    pourHours: batch.demand.pourHours,
    setDays: batch.demand.setDays,
    cutHours: batch.demand.cutHours,
    cureDays: batch.demand.cureDays,
    trays: batch.trays,
    due: batch.neededDay === undefined ? horizon + batch.demand.cureDays : number(batch.neededDay),
    earliest: Math.max(0, batch.earliestDay === undefined ? 0 : number(batch.earliestDay)),
    weight: batch.weight,
    oven: batch.demand.oven,
  }))
  const placementsOf = (some: readonly SeasonBatch[]): readonly Placement[] =>
    some.flatMap(({ id, days }) => (days ? [{ id, pour: number(days.pourDay), cut: number(days.cutDay) }] : []))
  return {
    firstDay: today,
    problem: {
      days: horizon,
      hours,
      setupHours: limits.setupHours,
      mouldKinds: limits.mouldCounts,
      ovenSlots: limits.ovenSlots,
      trays: limits.trays,
      bufferDays: limits.bufferDays,
      batches: seasonBatches,
      taken,
    },
    placements: placementsOf(planned),
    pinned: placementsOf(planned.filter(({ isPinned }) => isPinned)),
    inMoulds,
    nameOf: Object.fromEntries(batches.map(({ id, name }) => [id, name])),
  }
}

/** Bars to trays, each begun tray counted whole. @throws {RangeError} if `barsPerTray` is not from 1 */
export function traysFor(bars: number, barsPerTray: number): number {
  if (!(barsPerTray >= 1)) throw new RangeError(`Expected 1 or more bars a tray, got ${barsPerTray}`)
  return Math.ceil(bars / barsPerTray)
}
