import { addDays } from '../calendar'
import type { Finding, Quantity, Sentence } from '../findings'
import { quantity, sentence, warn } from '../findings'
import { roundTo } from '../units'
import type { PlanCheck } from './problem/checkPlan'
import { slackOf } from './problem/planCost'
import { prepDayOf } from './problem/prepDay'
import type { Placement, SeasonPlan, SeasonProblem } from './problem/seasonProblem'
import { hoursTolerance } from './problem/seasonProblem'
import type { Violation } from './problem/violation'
import type { DatedSeason } from './seasonOf'

/**
 * A broken rule with its numbers and the day it falls on.
 *
 * @param mouldNames names of the mould kinds
 * @throws {RangeError} if the season's first day is no day
 */
export function violationFinding(
  violation: Violation,
  season: Pick<DatedSeason, 'firstDay' | 'nameOf'>,
  mouldNames: Readonly<Record<string, string>>,
): Finding {
  const on = (day: number): Quantity => quantity.day(addDays(season.firstDay, day))
  if ('id' in violation) {
    const soap = season.nameOf[violation.id] ?? violation.id
    switch (violation.rule) {
      case 'too_early':
        return warn('too_early', { soap, earliest: on(violation.earliest) })
      case 'set_days': {
        const { set, min, max } = violation
        return warn('set_days', { soap, set: quantity.days(set), least: min, most: max })
      }
      case 'no_day_to_prepare':
        return warn('no_day_to_prepare', { soap })
      case 'outside':
        return warn('outside', { soap })
      case 'missing':
        return warn('missing', { soap })
      default:
        return warn('impossible_placement', { soap })
    }
  }
  const { asked, there } = violation
  const day = on(violation.day)
  switch (violation.rule) {
    case 'hours':
      return warn('hours', { day, asked: quantity.hours(asked), there: quantity.hours(there) })
    case 'moulds':
      return warn('moulds', { day, asked, mould: mouldNames[violation.kind] ?? violation.kind, there })
    case 'oven':
      return warn('oven', { day, asked, there })
    default:
      return warn('trays', { day, asked, there })
  }
}

/** What a violation is about, its figures left out: a rule of a day, or of a batch. */
function subjectOf(violation: Violation): string {
  if (!('day' in violation)) return Object.values(violation).join('|')
  return `${violation.rule}|${violation.day}|${'kind' in violation ? violation.kind : ''}`
}

/** What a plan breaks that another does not, or breaks worse, day by day; runs of days told once. */
export function newViolations(before: readonly Violation[], after: readonly Violation[]): readonly Violation[] {
  const asked = new Map(before.map((one) => [subjectOf(one), 'asked' in one ? one.asked : Infinity]))
  return withoutRepeats(
    after.filter((one) => {
      const known = asked.get(subjectOf(one))
      return known === undefined || ('asked' in one && one.asked > known + hoursTolerance)
    }),
  )
}

/** Runs of the same rule on days that follow each other told once, as the worst of them. */
export function withoutRepeats(violations: readonly Violation[]): readonly Violation[] {
  const kept: Violation[] = []
  const lastOf = new Map<string, { readonly day: number; readonly at: number }>()
  for (const violation of violations) {
    if (!('day' in violation)) {
      kept.push(violation)
      continue
    }
    const key = violation.rule + ('kind' in violation ? violation.kind : '')
    const last = lastOf.get(key)
    const runs = violation.rule !== 'hours' && last !== undefined && violation.day - last.day === 1
    if (!runs) {
      lastOf.set(key, { day: violation.day, at: kept.length })
      kept.push(violation)
      continue
    }
    const worst = kept[last.at]
    if (worst && 'asked' in worst && violation.asked > worst.asked) kept[last.at] = violation
    lastOf.set(key, { day: violation.day, at: last.at })
  }
  return kept
}

/** What two plans of one season are told apart by. */
export interface PlanFigures {
  readonly lateDays: number
  readonly lateBatches: number
  /** In time, with fewer days to spare than are wished for. A wish is no rule. */
  readonly tightBatches: number
  readonly soapingDays: number
  /** Hours of work, set-up included. */
  readonly hours: number
  /** Most trays on the racks in one day, and how many there are. */
  readonly mostTrays: number
  readonly brokenRules: number
  readonly cost: number
}

/** The figures of a plan by which it is held against another. */
export function planFigures(problem: SeasonProblem, plan: SeasonPlan, check: PlanCheck): PlanFigures {
  const byId = new Map(problem.batches.map((batch) => [batch.id, batch]))
  const slacks = plan.pours.flatMap(({ id, cut }) => {
    const batch = byId.get(id)
    return batch ? [slackOf(batch, cut)] : []
  })
  const late = slacks.map((slack) => Math.max(0, -slack))
  return {
    lateDays: late.reduce((sum, days) => sum + days, 0),
    lateBatches: late.filter((days) => days > 0).length,
    tightBatches: slacks.filter((slack) => slack >= 0 && slack < problem.bufferDays).length,
    soapingDays: new Set(plan.pours.map(({ pour }) => pour)).size,
    hours: roundTo(
      check.load.hours.reduce((sum, value) => sum + value, 0),
      4,
    ),
    mostTrays: Math.max(0, ...check.load.trays),
    brokenRules: withoutRepeats(check.violations).length,
    cost: check.cost,
  }
}

/** A batch that stands on other days in one plan than in another. */
export interface PlanChange {
  readonly id: string
  readonly before: Placement | undefined
  readonly after: Placement
  /** Why it moved; undefined when it only makes the whole better. */
  readonly reason: Sentence | undefined
}

/**
 * What differs between two plans, in the order of the new pour days, each with the rule of the old plan that it mends.
 *
 * @throws {RangeError} if the season's first day is no day
 */
export function planChanges(
  before: readonly Placement[],
  after: readonly Placement[],
  checkBefore: PlanCheck,
  season: DatedSeason,
  mouldNames: Readonly<Record<string, string>>,
): readonly PlanChange[] {
  const byId = new Map(season.problem.batches.map((batch) => [batch.id, batch]))
  const old = new Map(before.map((placement) => [placement.id, placement]))
  return after
    .filter((placement) => {
      const was = old.get(placement.id)
      return !was || was.pour !== placement.pour || was.cut !== placement.cut
    })
    .map((placement) => {
      const was = old.get(placement.id)
      const blamed = checkBefore.violations.find((violation) => {
        if ('id' in violation) return violation.id === placement.id
        return was !== undefined && touches(violation, was, season.problem)
      })
      const batch = byId.get(placement.id)
      const late = was && batch ? Math.max(0, -slackOf(batch, was.cut)) : 0
      const reason =
        late > 0
          ? sentence('was_late', { late: quantity.days(late) })
          : blamed && violationFinding(blamed, season, mouldNames)
      return { id: placement.id, before: was, after: placement, reason }
    })
    .sort((a, b) => a.after.pour - b.after.pour || a.id.localeCompare(b.id))
}

function touches(violation: Violation, { id, pour, cut }: Placement, problem: SeasonProblem): boolean {
  if (!('day' in violation)) return false
  const { day } = violation
  const batch = problem.batches.find((one) => one.id === id)
  if (violation.rule === 'hours')
    return day === pour || day === cut || (batch !== undefined && day === prepDayOf(problem, batch, pour))
  if (violation.rule === 'oven') return day === pour
  if (violation.rule === 'trays') return day >= cut
  if (violation.rule !== 'moulds') return false
  return batch !== undefined && Object.hasOwn(batch.moulds, violation.kind) && day >= pour && day < cut
}
