import type { SeasonBatch, SeasonProblem } from '../problem/seasonProblem'
import { hoursTolerance, mouldCountOf } from '../problem/seasonProblem'

/** A pour day and a cut day that a batch may take. */
export interface DayOption {
  readonly pour: number
  readonly cut: number
}

/**
 * The days a batch could take if it were alone in the workshop, by pour day, then cut day. Empty when there are none:
 * the batch cannot be made in this season.
 */
export function dayOptions(problem: SeasonProblem, batch: SeasonBatch): readonly DayOption[] {
  const { days, hours, setupHours, taken } = problem
  for (const [kind, count] of Object.entries(batch.moulds)) if (count > (problem.mouldKinds[kind] ?? 0)) return []
  if (batch.trays > problem.trays) return []
  if (batch.oven && mouldCountOf(batch) > problem.ovenSlots) return []
  const fits = (day: number, asked: number): boolean => asked <= (hours[day] ?? 0) + hoursTolerance
  const mouldsFit = (from: number, to: number): boolean => {
    if (!taken) return true
    for (const [kind, count] of Object.entries(batch.moulds)) {
      const held = taken.moulds[kind]
      for (let day = from; held && day < to; day++)
        if ((held[day] ?? 0) + count > (problem.mouldKinds[kind] ?? 0)) return false
    }
    return true
  }
  const options: DayOption[] = []
  const first = Math.max(batch.earliest, batch.prepHours > 0 ? 1 : 0)
  for (let pour = first; pour < days; pour++) {
    if (!fits(pour, batch.pourHours + setupHours)) continue
    if (batch.prepHours > 0 && !fits(pour - 1, batch.prepHours)) continue
    for (let cut = pour + batch.setDays.min; cut <= pour + batch.setDays.max && cut < days; cut++) {
      if (!fits(cut, batch.cutHours) || !mouldsFit(pour, cut)) continue
      options.push({ pour, cut })
    }
  }
  return options
}
