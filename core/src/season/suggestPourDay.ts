import type { Day } from '../calendar'
import { addDays, daysBetween } from '../calendar'
import type { Finding, Quantity } from '../findings'
import { quantity, warn } from '../findings'
import type { BatchDays } from './batchDays'
import type { OpenSeason } from './openSeason'
import { unplannable } from './plannableDays'
import { violationFinding } from './planWords'
import { prepDayOf } from './problem/prepDay'
import type { Violation } from './problem/violation'

/** One of each rule and kind of mould, the first day of it; of the hours every day. */
function firstOfEach(violations: readonly Violation[]): readonly Violation[] {
  const seen = new Set<string>()
  return violations.filter((violation) => {
    if (violation.rule === 'hours') return true
    const key = violation.rule + ('kind' in violation ? violation.kind : '')
    const isFirst = !seen.has(key)
    seen.add(key)
    return isFirst
  })
}

/** A mould that is not free, with who has it and until when. */
function mouldFinding(
  { kind, day, there }: Extract<Violation, { rule: 'moulds' }>,
  open: OpenSeason,
  id: string,
): Finding | undefined {
  const { firstDay, nameOf } = open.season
  const on = (number: number): Quantity => quantity.day(addDays(firstDay, number))
  const wanted = open.batch(id)?.moulds[kind] ?? 0
  if (there < wanted)
    return there === 0
      ? warn('no_such_mould_here', undefined, 'pourDay')
      : warn('more_moulds_than_here', { wanted, there }, 'pourDay')
  const holders = open.holders(kind, day, id)
  if (holders.length === 0) return undefined
  const names = holders.map((holder) => nameOf[holder.id] ?? holder.id)
  const freeAgain = Math.min(...holders.map(({ cut }) => cut))
  return warn('mould_taken', { day: on(day), names, freeAgain: on(freeAgain) }, 'pourDay')
}

/**
 * What stands against pouring a batch on a day, with the numbers; empty when the day is free. Lateness is not
 * among it: see `slackDays`.
 *
 * @param id of a batch that can still be planned; nothing stands against one that cannot
 * @param mouldNames names of the mould kinds
 * @throws {RangeError} if a day is no day
 */
export function pourDayFindings(
  open: OpenSeason,
  id: string,
  pourDay: Day,
  mouldNames: Readonly<Record<string, string>>,
): readonly Finding[] {
  const { season } = open
  const refusal = unplannable({ pourDay, cutDay: null }, season.firstDay)
  if (refusal) return [refusal]
  const pour = daysBetween(season.firstDay, pourDay)
  const cut = open.cutFor(id, pour)
  if (cut === undefined) return []
  return firstOfEach(open.violations(id, pour, cut)).map((violation): Finding => {
    const own = violation.rule === 'moulds' ? mouldFinding(violation, open, id) : undefined
    return own ?? { ...violationFinding(violation, season, mouldNames), field: 'pourDay' }
  })
}

/** The days of a batch when it is poured on a day; undefined for one that can no longer be planned. @throws {RangeError} if it is no day */
export function daysWhenPouredOn(open: OpenSeason, id: string, pourDay: Day): BatchDays | undefined {
  const { firstDay } = open.season
  const cut = open.cutFor(id, daysBetween(firstDay, pourDay))
  const batch = open.batch(id)
  if (cut === undefined || !batch) return undefined
  const cutDay = addDays(firstDay, cut)
  const prep = prepDayOf(open.season.problem, batch, daysBetween(firstDay, pourDay))
  const prepDay = batch.prepHours > 0 ? addDays(firstDay, prep) : null
  return { prepDay, pourDay, cutDay, readyDay: addDays(cutDay, batch.cureDays) }
}

export interface PourDaySuggestion {
  /** Undefined when no day of the season is free. */
  readonly pourDay: Day | undefined
  readonly cutDay: Day | undefined
  /** The last day in time on which the workshop has the hours, whatever else is planned. */
  readonly latestPourDay: Day
  /** Days to spare before the bars are needed; negative when late. Undefined when there is no day. */
  readonly slackDays: number | undefined
}

/**
 * The best free day to pour: the last one before which nothing stands and from which the bars are ready in time; when
 * there is none, the first free day. Undefined for a batch that can no longer be planned.
 */
export function suggestPourDay(open: OpenSeason, id: string): PourDaySuggestion | undefined {
  const latest = open.lastWorkingPour(id)
  if (latest === undefined) return undefined
  const on = (day: number): Day => addDays(open.season.firstDay, day)
  const best = open.bestDay(id)
  return {
    pourDay: best && on(best.pour),
    cutDay: best && on(best.cut),
    latestPourDay: on(latest),
    slackDays: best?.slackDays,
  }
}
