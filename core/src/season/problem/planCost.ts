import type { Placement, ProblemBatch, SeasonProblem } from './seasonProblem'

/** What each thing a plan can be blamed for costs. They only rank plans; they are no money. */
export const costOf = {
  /** A day late, times the weight of the batch. */
  lateDay: 100,
  /** A day on which anything is poured. */
  pourDay: 8,
  /** A day missing to the wished slack. */
  shortfallDay: 1,
  /** A day of slack beyond the wished one, spent on the rack. */
  ageDay: 0.1,
} as const

export interface CostParts {
  readonly late: number
  readonly pourDays: number
  readonly shortfall: number
  readonly age: number
}

/** Days from the end of the cure to the day it is needed; negative when late. */
export const slackOf = (batch: ProblemBatch, cut: number): number => batch.due - (cut + batch.cureDays)

/** Cost of one batch by its cut day, pour days left out. */
export function batchCost(batch: ProblemBatch, cut: number, bufferDays: number): number {
  const slack = slackOf(batch, cut)
  if (slack < 0) return costOf.lateDay * batch.weight * -slack + costOf.shortfallDay * bufferDays
  return slack < bufferDays ? costOf.shortfallDay * (bufferDays - slack) : costOf.ageDay * (slack - bufferDays)
}

/** Cost of the batches of a problem by their days, pour days left out. */
export function costByDays({ bufferDays }: Pick<SeasonProblem, 'bufferDays'>) {
  return (batch: ProblemBatch, { cut }: { readonly cut: number }): number => batchCost(batch, cut, bufferDays)
}

/** First day on which a batch no longer holds its trays: ready and needed, or the end of the season. */
export function traysUntil(batch: Pick<ProblemBatch, 'due' | 'cureDays'>, cut: number, days: number): number {
  return Math.min(days, Math.max(batch.due, cut + batch.cureDays))
}

const toMillionths = (value: number): number => Math.round(value * 1e6) / 1e6

/** The cost of a plan by its parts, to a millionth. Placements of batches that are not in the problem are passed over. */
export function planCost(
  problem: SeasonProblem,
  pours: readonly Placement[],
): { readonly cost: number; readonly parts: CostParts; readonly lateDays: number; readonly pourDays: number } {
  const byId = new Map(problem.batches.map((batch) => [batch.id, batch]))
  const days = new Set<number>()
  let late = 0
  let shortfall = 0
  let age = 0
  let lateDays = 0
  for (const { id, pour, cut } of pours) {
    const batch = byId.get(id)
    if (!batch) continue
    days.add(pour)
    const slack = slackOf(batch, cut)
    lateDays += Math.max(0, -slack)
    late += costOf.lateDay * batch.weight * Math.max(0, -slack)
    shortfall += costOf.shortfallDay * Math.max(0, problem.bufferDays - Math.max(0, slack))
    age += costOf.ageDay * Math.max(0, slack - problem.bufferDays)
  }
  const parts = {
    late: toMillionths(late),
    pourDays: costOf.pourDay * days.size,
    shortfall: toMillionths(shortfall),
    age: toMillionths(age),
  }
  const cost = toMillionths(parts.late + parts.pourDays + parts.shortfall + parts.age)
  return { cost, parts, lateDays, pourDays: days.size }
}
