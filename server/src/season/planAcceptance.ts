import { sentence } from '@vendange/core/findings'
import type { Sentence } from '@vendange/core/findings'
import type { BatchSummary, NewDayTick, AcceptedPlan, AcceptedPlanView, SeasonView } from '@vendange/contract'

import { daysBetween } from '@vendange/core/calendar'
import type { Placement } from '@vendange/core/season'
import { checkPlan, datedSeason, unplannable, violationFinding, newViolations } from '@vendange/core/season'
import { and, eq } from 'drizzle-orm'
import { insertPlanned, readBatchSource, readBatchSummary, readToChange } from '../db/batchRow'
import type { Transaction } from '../db/database'
import { knownMaker } from '../db/makerRow'
import { batches, dayTicks } from '../db/schema'
import type { Context } from '../parts/context'
import { refused, several, unprocessable } from '../parts/problems'
import type { SeasonService } from './seasonService'

export interface PlanAcceptance {
  /** Moves and adds pours all at once, or none of them when one cannot be. */
  acceptPlan(plan: AcceptedPlan): Promise<AcceptedPlanView>
  tick(tick: NewDayTick, makerId: string): Promise<SeasonView>
}

/** What a plan breaks that the calendar as it stood did not. */
function newTroubles(view: SeasonView, plan: AcceptedPlan): readonly Sentence[] {
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

export function planAcceptance({ database, clock, newId }: Context, season: SeasonService): PlanAcceptance {
  async function moveOne(transaction: Transaction, move: AcceptedPlan['moves'][number]): Promise<BatchSummary> {
    const row = await readToChange(transaction, move.batchId, move.version)
    await transaction
      .update(batches)
      .set({ pourDay: move.pourDay, cutDay: move.cutDay, version: row.version + 1 })
      .where(eq(batches.id, row.id))
    return readBatchSummary(transaction, row.id)
  }

  return {
    acceptPlan: async (plan) => {
      const view = await season.view()
      const pours = [...plan.moves, ...plan.pours]
      if (pours.some(({ pourDay }) => pourDay < view.today)) throw unprocessable(sentence('plan_is_past'))
      const refusals = pours.flatMap((pour) => unplannable(pour, view.today) ?? [])
      if (refusals.length > 0) throw refused(refusals)
      const troubles = newTroubles(view, plan)
      if (troubles.length > 0) throw unprocessable(several([sentence('plan_breaks_limits'), ...troubles]))
      return database.write(async (transaction) => {
        const changed: BatchSummary[] = []
        for (const move of plan.moves) changed.push(await moveOne(transaction, move))
        for (const { designId, pourDay, cutDay } of plan.pours) {
          await readBatchSource(transaction, designId)
          const id = newId()
          await insertPlanned(transaction, { id, designId, pourDay, cutDay })
          changed.push(await readBatchSummary(transaction, id))
        }
        return { batches: changed }
      })
    },

    tick: async ({ day, taskKey, isDone }, makerId) => {
      await database.write(async (transaction) => {
        const maker = await knownMaker(transaction, makerId)
        if (isDone) {
          await transaction
            .insert(dayTicks)
            .values({ day, taskKey, at: clock.now().toISOString(), makerId: maker })
            .onConflictDoNothing()
        } else {
          await transaction.delete(dayTicks).where(and(eq(dayTicks.day, day), eq(dayTicks.taskKey, taskKey)))
        }
      })
      return season.view()
    },
  }
}
