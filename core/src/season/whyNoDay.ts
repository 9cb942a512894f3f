import type { Day } from '../calendar'
import { addDays } from '../calendar'
import type { Finding, Param, Quantity, Sentence } from '../findings'
import { quantity, sentence, tell, warn } from '../findings'
import type { OpenSeason } from './openSeason'
import { mostDaysAhead } from './plannableDays'
import type { Violation } from './problem/violation'

/** A rule that stands in the way of a batch, and the days on which it does, counted from day 0 of the season. */
export interface RuleInTheWay {
  readonly rule: 'hours' | 'moulds' | 'oven' | 'trays' | 'no_day_to_prepare'
  /** Of moulds: their kind. Else empty. */
  readonly kind: string
  readonly days: readonly number[]
}

/** One thing that a workshop would have to have more of. */
export interface NeededChange {
  readonly rule: 'hours' | 'moulds' | 'oven' | 'trays'
  readonly kind: string
  /** First and last day on which it is needed. */
  readonly from: number
  readonly to: number
  /** Hours of one day, moulds or trays. */
  readonly more: number
}

/** Why a batch finds no free day among those that would do, and what would give it one. */
export interface NoDay {
  /** First and last pour day that would do. */
  readonly from: number
  readonly to: number
  readonly rules: readonly RuleInTheWay[]
  /** The smallest change that frees one of these days; undefined where none does. */
  readonly change: { readonly pour: number; readonly cut: number; readonly needs: readonly NeededChange[] } | undefined
}

/** What is easier to have more of: an hour, a tray, a place in the oven, a mould. A choice of the house. */
const burdenOf: Readonly<Record<NeededChange['rule'], number>> = { hours: 1, trays: 1, oven: 2, moulds: 4 }

/** What violations ask for beyond what is there; undefined where no more of anything would mend one of them. */
function needsOf(violations: readonly Violation[]): readonly NeededChange[] | undefined {
  const needs = new Map<string, NeededChange>()
  for (const one of violations) {
    if (!('day' in one)) return undefined
    const kind = one.rule === 'moulds' ? one.kind : ''
    // Hours are of one day; a mould and trays are held from day to day.
    const key = one.rule === 'hours' ? `hours|${one.day}` : `${one.rule}|${kind}`
    const known = needs.get(key)
    needs.set(key, {
      rule: one.rule,
      kind,
      from: Math.min(known?.from ?? one.day, one.day),
      to: Math.max(known?.to ?? one.day, one.day),
      more: Math.max(known?.more ?? 0, one.asked - one.there),
    })
  }
  return [...needs.values()]
}

const burden = (needs: readonly NeededChange[]): number =>
  needs.reduce((sum, { rule, more }) => sum + burdenOf[rule] * more, 0)

/**
 * Why a batch finds no free day from which it would be ready in time; undefined where it finds one, where it can no longer
 * be planned, or where no day is left that would do.
 */
export function whyNoDay(open: OpenSeason, id: string): NoDay | undefined {
  const batch = open.batch(id)
  const latest = open.latestPour(id)
  if (!batch || latest === undefined) return undefined
  const from = Math.max(0, batch.earliest)
  const to = Math.min(latest, open.season.problem.days - 1, mostDaysAhead)
  if (from > to) return undefined
  const rules = new Map<string, { readonly rule: RuleInTheWay['rule']; readonly kind: string; days: Set<number> }>()
  const standsInTheWay = (rule: RuleInTheWay['rule'], kind: string, day: number): void => {
    const known = rules.get(rule + kind) ?? { rule, kind, days: new Set<number>() }
    known.days.add(day)
    rules.set(rule + kind, known)
  }
  let change: NoDay['change']
  for (let pour = from; pour <= to; pour++) {
    let best: { readonly cut: number; readonly violations: readonly Violation[]; readonly weight: number } | undefined
    const lastCut = Math.min(pour + batch.setDays.max, batch.due - batch.cureDays)
    for (let cut = pour + batch.setDays.min; cut <= lastCut; cut++) {
      const violations = open.violations(id, pour, cut)
      if (violations.length === 0) return undefined
      const needs = needsOf(violations)
      const weight = needs ? burden(needs) : Infinity
      if (!best || weight < best.weight) best = { cut, violations, weight }
      if (needs && (!change || weight < burden(change.needs))) change = { pour, cut, needs }
    }
    for (const one of best?.violations ?? []) {
      if ('day' in one) standsInTheWay(one.rule, one.rule === 'moulds' ? one.kind : '', one.day)
      else if (one.rule === 'no_day_to_prepare') standsInTheWay(one.rule, '', pour)
    }
  }
  const inTheWay = [...rules.values()].map(({ days, ...one }) => ({ ...one, days: [...days].sort((a, b) => a - b) }))
  return { from, to, rules: inTheWay.sort((a, b) => b.days.length - a.days.length), change }
}

const runsTold = 3

/** Days in words: runs of them as "Tue 9 Mar to Thu 11 Mar", the first few. */
function daysInWords(days: readonly number[], on: (day: number) => Quantity): readonly Param[] {
  const runs: { from: number; to: number }[] = []
  for (const day of days) {
    const last = runs.at(-1)
    if (last && day === last.to + 1) last.to = day
    else runs.push({ from: day, to: day })
  }
  const told = runs
    .slice(0, runsTold)
    .map(({ from, to }): Param => (from === to ? on(from) : sentence('days_from_to', { from: on(from), to: on(to) })))
  const more = runs.slice(runsTold).reduce((sum, { from, to }) => sum + to - from + 1, 0)
  return more === 0 ? told : [...told, sentence('more_days', { more })]
}

/**
 * Why a batch finds no free day in time, and the smallest change that frees one, in figures; empty where it finds one.
 *
 * @param mouldNames names of the mould kinds
 * @throws {RangeError} if the season's first day is no day
 */
export function noDayFindings(
  open: OpenSeason,
  id: string,
  mouldNames: Readonly<Record<string, string>>,
): readonly Finding[] {
  const batch = open.batch(id)
  const latest = open.latestPour(id)
  if (!batch || latest === undefined) return []
  const { firstDay, nameOf } = open.season
  const dayOf = (day: number): Day => addDays(firstDay, day)
  const on = (day: number): Quantity => quantity.day(dayOf(day))
  const soap = nameOf[id] ?? id
  if (latest < 0) return [warn('last_day_went_by', { soap, latest: on(latest) })]
  if (latest < batch.earliest)
    return [warn('earliest_after_latest', { soap, earliest: on(batch.earliest), latest: on(latest) })]
  const found = whyNoDay(open, id)
  if (!found) return []
  const mould = (kind: string): string => mouldNames[kind] ?? kind
  const rules = found.rules.map(({ rule, kind, days }): Sentence =>
    sentence('in_the_way', { rule, days: daysInWords(days, on), mould: kind === '' ? '' : mould(kind) }),
  )
  const findings = [warn('no_free_day', { soap, from: on(found.from), to: on(found.to), rules })]
  const { change } = found
  if (!change) return findings
  const changes = change.needs.map(({ rule, kind, from, to, more }): Sentence => {
    if (rule === 'hours') return sentence('more_hours', { more: quantity.hours(more), day: on(from) })
    if (rule === 'oven') return sentence('more_oven', { more, day: on(from) })
    if (rule === 'trays') return sentence('more_trays', { more, from: on(from), to: on(to) })
    const names = open.holders(kind, from, id).map((holder) => nameOf[holder.id] ?? holder.id)
    return names.length === 0
      ? sentence('more_moulds', { more, mould: mould(kind) })
      : sentence('more_moulds_or_move', { more, mould: mould(kind), from: on(from), to: on(to), names })
  })
  return [...findings, tell('smallest_change', { changes, pour: on(change.pour) })]
}
