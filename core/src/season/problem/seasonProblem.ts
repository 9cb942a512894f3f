import type { Finding } from '../../findings'
import { refuse } from '../../findings'

/** One batch that seeks its days. Days are whole numbers counted from day 0 of the problem; hours are real. */
export interface ProblemBatch {
  readonly id: string
  /** Moulds it fills, by kind; one kind or more, each from 1. */
  readonly moulds: Readonly<Record<string, number>>
  /** Hours of preparation, on the day that `prepDayOf` tells. */
  readonly prepHours: number
  /** How many days before the pour it may be prepared at the most, whole, from 1. @default that of the season */
  readonly prepAhead?: number
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
  /** Hours of each day that cutting what is in the moulds takes. @default none */
  readonly hours?: readonly number[]
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
  /** How many days before a pour it may be prepared at the most, whole, from 1. @default 1, the very day before */
  readonly prepAhead?: number
  readonly batches: readonly ProblemBatch[]
  readonly taken?: Taken
}

/** Moulds of every kind that a batch fills. */
export function mouldCountOf(batch: Pick<ProblemBatch, 'moulds'>): number {
  return Object.values(batch.moulds).reduce((sum, count) => sum + count, 0)
}

/** Hours that are taken for rounding dust rather than for work. */
export const hoursTolerance = 1e-6

const isWhole = (value: number): boolean => Number.isInteger(value)
const isAmount = (value: number): boolean => Number.isFinite(value) && value >= 0

/** What keeps a season from being planned at all, in plain words; empty when it is well formed. Never throws on figures. */
export function checkProblem(problem: SeasonProblem): readonly Finding[] {
  const findings: Finding[] = []
  const need = (holds: boolean, finding: Finding): void => {
    if (!holds) findings.push(finding)
  }
  need(isWhole(problem.days) && problem.days > 0, refuse('season_days'))
  need(problem.hours.length === problem.days && problem.hours.every(isAmount), refuse('season_hours'))
  need(isAmount(problem.setupHours), refuse('season_setup'))
  for (const field of ['ovenSlots', 'trays', 'bufferDays'] as const)
    need(isWhole(problem[field]) && problem[field] >= 0, refuse('not_whole_from_0', undefined, field))
  for (const { prepAhead = 1 } of [problem, ...problem.batches])
    need(isWhole(prepAhead) && prepAhead >= 1, refuse('prep_ahead_whole'))
  const ids = new Set<string>()
  for (const batch of problem.batches) {
    const kinds = Object.entries(batch.moulds)
    need(!ids.has(batch.id), refuse('batch_twice', { batch: batch.id }))
    ids.add(batch.id)
    need(
      kinds.length > 0 &&
        kinds.every(([kind, count]) => isWhole(count) && count >= 1 && Object.hasOwn(problem.mouldKinds, kind)),
      refuse('batch_moulds', { batch: batch.id }),
    )
    need(
      [batch.prepHours, batch.pourHours, batch.cutHours, batch.weight].every(isAmount),
      refuse('batch_hours', { batch: batch.id }),
    )
    need(
      isWhole(batch.setDays.min) &&
        isWhole(batch.setDays.max) &&
        batch.setDays.min >= 1 &&
        batch.setDays.max >= batch.setDays.min,
      refuse('batch_set_days', { batch: batch.id }),
    )
    need(
      [batch.cureDays, batch.trays, batch.earliest].every((value) => isWhole(value) && value >= 0) &&
        isWhole(batch.due),
      refuse('batch_days', { batch: batch.id }),
    )
  }
  return findings
}
