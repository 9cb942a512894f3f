import type { Day } from '../calendar'
import { addDays, daysBetween } from '../calendar'
import type { Finding } from '../findings'
import type { BatchDemand } from './batchDays'
import { latestPourDay, slackDays } from './batchDays'
import { OpenSeason } from './openSeason'
import type { PlannedBatch } from './plannedBatch'
import type { DatedSeason } from './seasonOf'
import { noDayFindings } from './whyNoDay'

/** A soap of a line-up and where it stands. */
export interface LineUpSoap {
  readonly designId: string
  readonly name: string
  /** Its batch when one is planned or poured; null also once its pour is history. */
  readonly batch: PlannedBatch | null
  /** Whether it is poured already, so that its days are facts. */
  readonly poured: boolean
  /** Its batch in the season that is asked, planned or seeking its day; null while its mould or recipe is not chosen. */
  readonly seeking: { readonly id: string; readonly demand: BatchDemand } | null
}

export type SoapStanding =
  /** Poured, cured and gone out long ago. */
  | 'out'
  /** The cure is over. */
  | 'ready'
  /** Poured and in time. */
  | 'curing'
  /** Planned and in time. */
  | 'planned'
  /** Not planned, but a day in time is free. */
  | 'to_plan'
  /** Will be ready after it is needed. */
  | 'late'
  /** Mould or recipe is missing. */
  | 'incomplete'

export interface SoapVerdict {
  readonly designId: string
  /** Its pour, where it has one. */
  readonly batchId?: string
  readonly name: string
  readonly standing: SoapStanding
  /** The planned or suggested pour day. */
  readonly pourDay: Day | undefined
  readonly cutDay: Day | undefined
  /** For one whose pour day went by: the day it is ready if it is poured today. */
  readonly readyDay: Day | undefined
  /** Whether its pour day went by and it was not poured. */
  readonly overdue?: boolean
  /** Negative: late by so many days. */
  readonly slackDays: number | undefined
  /** For a planned pour that comes too late: a free day on which it would be in time, and the cut that goes with it. */
  readonly betterDay: Day | undefined
  readonly betterCutDay?: Day | undefined
  /** For one that is not poured and finds no free day in time: why, and what would give it one. */
  readonly whyNoDay: readonly Finding[]
}

export interface CollectionVerdict {
  /** True when every soap can still be ready in time. */
  readonly possible: boolean
  readonly soaps: readonly SoapVerdict[]
  /** Of the soaps still to be poured, the one whose last possible day comes first. */
  readonly nextPour: { readonly name: string; readonly designId: string; readonly byDay: Day } | undefined
}

function verdictOfPlanned(soap: LineUpSoap, batch: PlannedBatch, neededDay: Day, today: Day): SoapVerdict {
  // A pour whose day has gone by unpoured can only be as early as today's.
  const isOverdue = !soap.poured && batch.days.pourDay < today
  const ofPlan = slackDays(batch.days, neededDay)
  const slack = isOverdue ? Math.min(ofPlan, daysBetween(today, latestPourDay(neededDay, batch.demand))) : ofPlan
  const inTime: SoapStanding = !soap.poured ? 'planned' : batch.days.readyDay <= today ? 'ready' : 'curing'
  return {
    designId: soap.designId,
    batchId: batch.id,
    name: soap.name,
    standing: slack < 0 ? 'late' : inTime,
    pourDay: batch.days.pourDay,
    cutDay: batch.days.cutDay,
    readyDay: isOverdue ? addDays(neededDay, -slack) : batch.days.readyDay,
    ...(isOverdue ? { overdue: true } : {}),
    slackDays: slack,
    betterDay: undefined,
    whyNoDay: [],
  }
}

/**
 * Whether a collection makes its day. Soaps without a batch are tried one after the other in the order of their last
 * possible pour day, each taking the day it is suggested, so that two do not count on the same free day.
 *
 * @param mouldNames names of the mould kinds
 * @throws {RangeError} if a day is no day
 */
export function collectionVerdict(
  neededDay: Day,
  soaps: readonly LineUpSoap[],
  season: DatedSeason,
  mouldNames: Readonly<Record<string, string>> = {},
): CollectionVerdict {
  const open = new OpenSeason(season)
  const today = season.firstDay
  const on = (day: number): Day => addDays(today, day)
  const suggestions = new Map<string, { pourDay: Day; cutDay: Day; readyDay: Day; slackDays: number } | undefined>()
  const whyNone = new Map<string, readonly Finding[]>()
  const seekers = soaps.flatMap((soap) =>
    soap.batch === null && !soap.poured && soap.seeking !== null ? [{ soap, seeking: soap.seeking }] : [],
  )
  const daysOf = ({ cureDays, setDays }: BatchDemand): number => cureDays + setDays.min
  seekers.sort((a, b) => daysOf(b.seeking.demand) - daysOf(a.seeking.demand))
  for (const { soap, seeking } of seekers) {
    const best = open.bestDay(seeking.id)
    if (!best || best.slackDays < 0) whyNone.set(soap.designId, noDayFindings(open, seeking.id, mouldNames))
    if (best) open.place(seeking.id, best.pour, best.cut)
    suggestions.set(
      soap.designId,
      best && {
        pourDay: on(best.pour),
        cutDay: on(best.cut),
        readyDay: on(best.cut + seeking.demand.cureDays),
        slackDays: best.slackDays,
      },
    )
  }

  const verdicts = soaps.map((soap): SoapVerdict => {
    if (soap.batch) {
      const verdict = verdictOfPlanned(soap, soap.batch, neededDay, today)
      if (verdict.standing !== 'late' || soap.poured || !soap.seeking) return verdict
      const best = open.bestDay(soap.seeking.id)
      return best && best.slackDays >= 0
        ? { ...verdict, betterDay: on(best.pour), betterCutDay: on(best.cut) }
        : { ...verdict, whyNoDay: noDayFindings(open, soap.seeking.id, mouldNames) }
    }
    const tried = suggestions.get(soap.designId)
    const slack = tried?.slackDays
    const standing: SoapStanding = soap.poured
      ? 'out'
      : !suggestions.has(soap.designId)
        ? 'incomplete'
        : slack !== undefined && slack >= 0
          ? 'to_plan'
          : 'late'
    return {
      designId: soap.designId,
      name: soap.name,
      standing,
      pourDay: tried?.pourDay,
      cutDay: tried?.cutDay,
      readyDay: tried?.readyDay,
      slackDays: slack,
      betterDay: undefined,
      whyNoDay: whyNone.get(soap.designId) ?? [],
    }
  })

  const toPour = soaps
    .filter((soap) => !soap.poured)
    .flatMap((soap) => {
      const id = soap.batch?.id ?? soap.seeking?.id
      const last = id === undefined ? undefined : open.lastWorkingPour(id)
      const demand = soap.batch?.demand ?? soap.seeking?.demand
      const byDay = last === undefined ? demand && latestPourDay(neededDay, demand) : on(last)
      return byDay === undefined ? [] : [{ name: soap.name, designId: soap.designId, byDay }]
    })
    .sort((a, b) => a.byDay.localeCompare(b.byDay))
  return {
    possible: verdicts.every(({ standing }) => standing !== 'late' && standing !== 'incomplete'),
    soaps: verdicts,
    nextPour: toPour[0],
  }
}
