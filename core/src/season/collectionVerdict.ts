import type { Day } from '../calendar'
import type { PlannedBatch, PourDaySuggestion, SeekingBatch, Workshop } from './suggestPourDay'
import { suggestPourDay } from './suggestPourDay'
import { batchDays, latestPourDay, slackDays } from './batchDays'

/** A soap of a line-up and where it stands. */
export interface LineUpSoap {
  readonly designId: string
  readonly name: string
  /** Its batch when one is planned or poured; null also once its pour is history. */
  readonly batch: PlannedBatch | null
  /** Whether it is poured already, so that its days are facts. */
  readonly poured: boolean
  /** What it asks for when it has no batch yet. Null while its mould or recipe is not chosen. */
  readonly seeking: SeekingBatch | null
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
  readonly name: string
  readonly standing: SoapStanding
  /** The planned or suggested pour day. */
  readonly pourDay: Day | undefined
  readonly readyDay: Day | undefined
  /** Negative: late by so many days. */
  readonly slackDays: number | undefined
  /** For a planned pour that comes too late: a free day on which it would be in time. */
  readonly betterDay: Day | undefined
}

export interface CollectionVerdict {
  /** True when every soap can still be ready in time. */
  readonly possible: boolean
  readonly soaps: readonly SoapVerdict[]
  /** Of the soaps still to be poured, the one whose last possible day comes first. */
  readonly nextPour: { readonly name: string; readonly designId: string; readonly byDay: Day } | undefined
}

function verdictOfPlanned(soap: LineUpSoap, batch: PlannedBatch, neededDay: Day, today: Day): SoapVerdict {
  const slack = slackDays(batch.days, neededDay)
  const inTime: SoapStanding = !soap.poured ? 'planned' : batch.days.readyDay <= today ? 'ready' : 'curing'
  return {
    designId: soap.designId,
    name: soap.name,
    standing: slack < 0 ? 'late' : inTime,
    pourDay: batch.days.pourDay,
    readyDay: batch.days.readyDay,
    slackDays: slack,
    betterDay: undefined,
  }
}

/**
 * Whether a collection makes its day. Soaps without a batch are tried one after the other in the order of their last
 * possible pour day, each taking the day it is suggested, so that two do not count on the same free day.
 *
 * @throws {RangeError} if a day is no day
 */
export function collectionVerdict(
  neededDay: Day,
  soaps: readonly LineUpSoap[],
  plan: readonly PlannedBatch[],
  workshop: Workshop,
  today: Day,
): CollectionVerdict {
  const trial: PlannedBatch[] = [...plan]
  const suggestions = new Map<string, { suggestion: PourDaySuggestion; readyDay: Day | undefined }>()
  const seekers = soaps.flatMap((soap) =>
    soap.batch === null && !soap.poured && soap.seeking !== null ? [{ soap, seeking: soap.seeking }] : [],
  )
  seekers.sort(
    (a, b) =>
      b.seeking.demand.cureDays +
      b.seeking.demand.setDays.min -
      (a.seeking.demand.cureDays + a.seeking.demand.setDays.min),
  )
  for (const { soap, seeking } of seekers) {
    const suggestion = suggestPourDay(seeking, trial, workshop, today)
    let readyDay: Day | undefined
    if (suggestion.pourDay !== undefined) {
      const days = batchDays(suggestion.pourDay, seeking.demand, workshop.working)
      readyDay = days.readyDay
      trial.push({ ...seeking, id: soap.designId, name: soap.name, days })
    }
    suggestions.set(soap.designId, { suggestion, readyDay })
  }

  const verdicts = soaps.map((soap): SoapVerdict => {
    if (soap.batch) {
      const verdict = verdictOfPlanned(soap, soap.batch, neededDay, today)
      if (verdict.standing !== 'late' || soap.poured || !soap.seeking) return verdict
      const { pourDay, slackDays: slack } = suggestPourDay(soap.seeking, trial, workshop, today)
      return slack !== undefined && slack >= 0 ? { ...verdict, betterDay: pourDay } : verdict
    }
    const tried = suggestions.get(soap.designId)
    const slack = tried?.suggestion.slackDays
    const standing: SoapStanding = soap.poured
      ? 'out'
      : !tried
        ? 'incomplete'
        : slack !== undefined && slack >= 0
          ? 'to_plan'
          : 'late'
    return {
      designId: soap.designId,
      name: soap.name,
      standing,
      pourDay: tried?.suggestion.pourDay,
      readyDay: tried?.readyDay,
      slackDays: slack,
      betterDay: undefined,
    }
  })

  const open = soaps
    .filter((soap) => !soap.poured)
    .flatMap((soap) => {
      const demand = soap.batch?.demand ?? soap.seeking?.demand
      return demand ? [{ name: soap.name, designId: soap.designId, byDay: latestPourDay(neededDay, demand) }] : []
    })
    .sort((a, b) => a.byDay.localeCompare(b.byDay))
  return {
    possible: verdicts.every(({ standing }) => standing !== 'late' && standing !== 'incomplete'),
    soaps: verdicts,
    nextPour: open[0],
  }
}
