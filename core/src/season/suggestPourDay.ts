import type { Day } from '../calendar'
import { addDays, daysBetween, formatDay } from '../calendar'
import type { Finding } from '../findings'
import { formatQuantity } from '../units'
import type { BatchDays, BatchDemand } from './batchDays'
import { batchDays, latestPourDay, slackDays } from './batchDays'
import { unplannable } from './plannableDays'
import type { FillsMoulds } from './mouldsOfBatch'
import { mouldsOfBatch } from './mouldsOfBatch'
import type { WorkingHours } from './workingHours'
import { hoursOn } from './workingHours'

/** A batch that already stands in the plan, with the moulds it holds from its pour to its cut. */
export interface PlannedBatch extends FillsMoulds {
  readonly id: string
  readonly name: string
  readonly demand: BatchDemand
  readonly days: BatchDays
}

export interface Workshop {
  readonly working: WorkingHours
  /** Hours of set-up and clean-up, charged once on each day with a pour. */
  readonly setupHours: number
  /** How many there are of each mould. */
  readonly mouldCounts: Readonly<Record<string, number>>
}

/** A batch that seeks a day. */
export interface SeekingBatch extends FillsMoulds {
  /** Its own id when it is planned already and moves. */
  readonly id: string | null
  readonly demand: BatchDemand
  readonly neededDay: Day
}

/** Hours of work that the plan asks of a day, set-up included. @throws {RangeError} if it is no day */
export function plannedHours(day: Day, batches: readonly PlannedBatch[], setupHours: number): number {
  let hours = 0
  let pours = 0
  for (const { days, demand } of batches) {
    if (days.prepDay === day) hours += demand.prepHours
    if (days.pourDay === day) {
      hours += demand.pourHours
      pours += 1
    }
    if (days.cutDay === day) hours += demand.cutHours
  }
  return pours > 0 ? hours + setupHours : hours
}

function mouldsHeld(day: Day, mouldId: string, batches: readonly PlannedBatch[]): number {
  return batches
    .filter((batch) => batch.days.pourDay <= day && day < batch.days.cutDay)
    .reduce((sum, batch) => sum + (mouldsOfBatch(batch).get(mouldId) ?? 0), 0)
}

/** What stands against a pour for one kind of mould, or undefined. */
function mouldFinding(
  [mouldId, wanted]: readonly [string, number],
  days: BatchDays,
  others: readonly PlannedBatch[],
  workshop: Workshop,
  today: Day,
): Finding | undefined {
  const there = workshop.mouldCounts[mouldId] ?? 0
  const warn = (code: string, message: string): Finding => ({ severity: 'warn', code, field: 'pourDay', message })
  if (there < wanted)
    return warn(
      'too_few_moulds',
      there === 0
        ? 'The workshop has none of this mould. Choose another, or say in the stores how many there are.'
        : `It asks for ${wanted} moulds of this kind; the workshop has ${there}.`,
    )
  for (let day = days.pourDay; day < days.cutDay; day = addDays(day, 1)) {
    if (there - mouldsHeld(day, mouldId, others) >= wanted) continue
    const holders = others.filter(
      (other) => mouldsOfBatch(other).has(mouldId) && other.days.pourDay <= day && day < other.days.cutDay,
    )
    const freeAgain = holders.map(({ days: held }) => held.cutDay).sort()[0]
    const until = freeAgain === undefined ? '' : `; free again on ${formatDay(freeAgain, today)}`
    return warn(
      'mould_taken',
      `${formatDay(day, today)}: the mould is taken${holders.length > 0 ? ` by ${holders.map(({ name }) => name).join(', ')}` : ''}${until}.`,
    )
  }
  return undefined
}

/**
 * What stands against pouring on a day, in words with the numbers; empty when nothing does. Lateness is not among it:
 * see `slackDays`.
 *
 * @throws {RangeError} if a day is no day
 */
export function pourDayFindings(
  pourDay: Day,
  batch: SeekingBatch,
  plan: readonly PlannedBatch[],
  workshop: Workshop,
  today: Day,
): readonly Finding[] {
  const findings: Finding[] = []
  const others = plan.filter(({ id }) => id !== batch.id)
  const days = batchDays(pourDay, batch.demand, workshop.working)
  const refusal = unplannable({ pourDay, cutDay: null }, today)
  if (refusal) {
    findings.push(refusal)
  } else if (batch.demand.prepHours > 0 && days.prepDay < today) {
    findings.push({
      severity: 'warn',
      code: 'no_day_to_prepare',
      field: 'pourDay',
      message: 'There is no day before it to prepare on.',
    })
  }

  const trial: PlannedBatch = { ...batch, id: batch.id ?? '', name: '', days }
  for (const day of new Set([days.prepDay, days.pourDay, days.cutDay])) {
    if (day < today) continue
    const asked = plannedHours(day, [...others, trial], workshop.setupHours)
    const there = hoursOn(day, workshop.working)
    if (asked > there + 1e-6 && asked > plannedHours(day, others, workshop.setupHours)) {
      findings.push({
        severity: 'warn',
        code: 'hours_short',
        field: 'pourDay',
        message: `${formatDay(day, today)}: ${formatQuantity('hours', asked)} planned, ${formatQuantity('hours', there)} there.`,
      })
    }
  }

  for (const kind of mouldsOfBatch(batch)) {
    const finding = mouldFinding(kind, days, others, workshop, today)
    if (finding) findings.push(finding)
  }
  return findings
}

export interface PourDaySuggestion {
  /** Undefined when no day within a year is free. */
  readonly pourDay: Day | undefined
  readonly latestPourDay: Day
  /** Days to spare before the bars are needed; negative when late. Undefined when there is no day. */
  readonly slackDays: number | undefined
}

/**
 * The best free day to pour: the last one before which nothing stands and from which the bars are ready in time; when
 * there is none, the first free day after. A day is free when its hours, those of the preparation and the cut, and the
 * moulds suffice.
 *
 * @throws {RangeError} if a day is no day
 */
export function suggestPourDay(
  batch: SeekingBatch,
  plan: readonly PlannedBatch[],
  workshop: Workshop,
  today: Day,
): PourDaySuggestion {
  const latest = latestPourDay(batch.neededDay, batch.demand)
  const isFree = (day: Day): boolean => pourDayFindings(day, batch, plan, workshop, today).length === 0
  const slack = (day: Day): number => slackDays(batchDays(day, batch.demand, workshop.working), batch.neededDay)

  for (let day = latest; day >= today && daysBetween(day, latest) <= 366; day = addDays(day, -1)) {
    if (slack(day) >= 0 && isFree(day)) return { pourDay: day, latestPourDay: latest, slackDays: slack(day) }
  }
  const from = latest >= today ? addDays(latest, 1) : today
  for (let ahead = 0; ahead <= 366; ahead++) {
    const day = addDays(from, ahead)
    if (isFree(day)) return { pourDay: day, latestPourDay: latest, slackDays: slack(day) }
  }
  return { pourDay: undefined, latestPourDay: latest, slackDays: undefined }
}
