import type { AcceptedPlan, SeasonView } from '@vendange/contract'
import { daysBetween } from '@vendange/core/calendar'
import type { Sentence } from '@vendange/core/findings'
import type { Placement } from '@vendange/core/season'
import { checkPlan, datedSeason, newViolations, violationFinding } from '@vendange/core/season'

/** What a plan breaks that the calendar as it stood did not. */
export function planTroubles(view: SeasonView, plan: AcceptedPlan): readonly Sentence[] {
  const season = datedSeason(view)
  const moved = new Map(plan.moves.map((move) => [move.batchId, move]))
  const number = (day: string): number => daysBetween(season.firstDay, day)
  const pours = season.placements.map((placement): Placement => {
    const move = moved.get(placement.id)
    return move ? { id: placement.id, pour: number(move.pourDay), cut: number(move.cutDay) } : placement
  })
  const names = Object.fromEntries(view.moulds.map(({ id, name }) => [id, name]))
  const broken = (placements: readonly Placement[]) => checkPlan(season.problem, { pours: placements }).violations
  return newViolations(broken(season.placements), broken(pours)).map((violation) =>
    violationFinding(violation, season, names),
  )
}
