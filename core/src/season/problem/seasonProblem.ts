import type { Finding } from '../../findings'

/** One batch that seeks its days. Days are whole numbers counted from day 0 of the problem; hours are real. */
export interface SeasonBatch {
  readonly id: string
  /** Moulds it fills, by kind; one kind or more, each from 1. */
  readonly moulds: Readonly<Record<string, number>>
  /** Hours of preparation, on the day before the pour. */
  readonly prepHours: number
  readonly pourHours: number
  /** Days from the pour to the cut. */
  readonly setDays: { readonly min: number; readonly max: number }
  readonly cutHours: number
  /** Days from the cut until it is ready. */
  readonly cureDays: number
  /** Trays it takes on the rack. */
  readonly trays: number
  /** Day on which it is needed; may lie beyond the last day. */
  readonly due: number
  /** First day allowed for the pour. */
  readonly earliest: number
  /** Weight of its lateness, from 0. */
  readonly weight: number
  /** Whether its moulds sit in the oven on the night after the pour. */
  readonly oven: boolean
}

/** The days of one batch. */
export interface Placement {
  readonly id: string
  readonly pour: number
  readonly cut: number
}

export interface SeasonPlan {
  readonly pours: readonly Placement[]
}

/** What is taken already by batches that are no longer planned: poured, in the mould or on the rack. */
export interface Taken {
  /** Moulds held, by kind, for each day. */
  readonly moulds: Readonly<Record<string, readonly number[]>>
  /** Trays held on each day. */
  readonly trays: readonly number[]
}

/**
 * A season to plan: days 0 to `days` − 1 on which work can be done, what there is on each, and what is to be made.
 * Batches are poured and cut within these days; a cure may end after them.
 */
export interface SeasonProblem {
  readonly days: number
  /** Hours of work there are on each day; 0 is a day off. */
  readonly hours: readonly number[]
  /** Hours of set-up and clean-up, charged once on each day with a pour. */
  readonly setupHours: number
  /** How many moulds there are of each kind. */
  readonly mouldKinds: Readonly<Record<string, number>>
  /** Moulds that may sit in the oven in one night. */
  readonly ovenSlots: number
  /** Trays on the racks. */
  readonly trays: number
  /** Wished days between the end of a cure and the day it is needed. */
  readonly bufferDays: number
  readonly batches: readonly SeasonBatch[]
  readonly taken?: Taken
}

/** Moulds of every kind that a batch fills. */
export function mouldCountOf(batch: Pick<SeasonBatch, 'moulds'>): number {
  return Object.values(batch.moulds).reduce((sum, count) => sum + count, 0)
}

/** Hours that are taken for rounding dust rather than for work. */
export const hoursTolerance = 1e-6

const isWhole = (value: number): boolean => Number.isInteger(value)
const isAmount = (value: number): boolean => Number.isFinite(value) && value >= 0

/** What keeps a season from being planned at all, in plain words; empty when it is well formed. Never throws on figures. */
export function checkProblem(problem: SeasonProblem): readonly Finding[] {
  const findings: Finding[] = []
  const need = (holds: boolean, code: string, message: string): void => {
    if (!holds) findings.push({ severity: 'refuse', code, message })
  }
  need(isWhole(problem.days) && problem.days > 0, 'season_days', 'A season has at least one day.')
  need(
    problem.hours.length === problem.days && problem.hours.every(isAmount),
    'season_hours',
    'Every day of the season needs its hours, 0 or more.',
  )
  need(isAmount(problem.setupHours), 'season_setup', 'Set-up takes 0 hours or more.')
  for (const field of ['ovenSlots', 'trays', 'bufferDays'] as const)
    need(isWhole(problem[field]) && problem[field] >= 0, `season_${field}`, 'This is a whole number from 0.')
  const ids = new Set<string>()
  for (const batch of problem.batches) {
    const kinds = Object.entries(batch.moulds)
    need(!ids.has(batch.id), 'batch_twice', `The batch ${batch.id} stands in the season twice.`)
    ids.add(batch.id)
    need(
      kinds.length > 0 &&
        kinds.every(([kind, count]) => isWhole(count) && count >= 1 && Object.hasOwn(problem.mouldKinds, kind)),
      'batch_moulds',
      `The batch ${batch.id} needs moulds that the workshop knows.`,
    )
    need(
      [batch.prepHours, batch.pourHours, batch.cutHours, batch.weight].every(isAmount),
      'batch_hours',
      `The hours of batch ${batch.id} must be 0 or more.`,
    )
    need(
      isWhole(batch.setDays.min) &&
        isWhole(batch.setDays.max) &&
        batch.setDays.min >= 1 &&
        batch.setDays.max >= batch.setDays.min,
      'batch_set_days',
      `The days in the mould of batch ${batch.id} must be from 1, the longest at least the shortest.`,
    )
    need(
      [batch.cureDays, batch.trays, batch.earliest].every((value) => isWhole(value) && value >= 0) &&
        isWhole(batch.due),
      'batch_days',
      `The days and trays of batch ${batch.id} must be whole numbers.`,
    )
  }
  return findings
}
