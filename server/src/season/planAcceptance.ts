import { sentence } from '@vendange/core/findings'
import type { Sentence } from '@vendange/core/findings'
import type { BatchSummary, NewDayTick, AcceptedPlan, AcceptedPlanView } from '@vendange/contract'

import { unplannable } from '@vendange/core/season'
import { and, eq } from 'drizzle-orm'
import { setImmediate } from 'node:timers/promises'
import { insertPlanned, readBatchSource, readBatchSummary, readToChange } from '../db/batchRow'
import type { Transaction } from '../db/database'
import { knownMaker } from '../db/makerRow'
import { batches, dayTicks } from '../db/schema'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { refused, several, unprocessable } from '../parts/problems'

export interface PlanAcceptance {
  /** Moves and adds pours all at once, or none of them when one cannot be. */
  acceptPlan(plan: AcceptedPlan): Promise<AcceptedPlanView>
  tick(tick: NewDayTick, makerId: string): Promise<void>
}

/** @param newTroubles what a plan breaks that the calendar as it stands does not */
export function planAcceptance(
  { database, clock, newId }: Context,
  newTroubles: (plan: AcceptedPlan) => Promise<readonly Sentence[]>,
): PlanAcceptance {
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
      const today = clock.today((await readWorkshop(database.read)).timeZone)
      const pours = [...plan.moves, ...plan.pours]
      if (pours.some(({ pourDay }) => pourDay < today)) throw unprocessable(sentence('plan_is_past'))
      const refusals = pours.flatMap((pour) => unplannable(pour, today) ?? [])
      if (refusals.length > 0) throw refused(refusals)
      const troubles = await newTroubles(plan)
      if (troubles.length > 0) throw unprocessable(several([sentence('plan_breaks_limits'), ...troubles]))
      // Others are answered between one pour and the next.
      return database.write(async (transaction) => {
        const changed: BatchSummary[] = []
        for (const move of plan.moves) {
          await setImmediate()
          changed.push(await moveOne(transaction, move))
        }
        for (const { designId, pourDay, cutDay } of plan.pours) {
          await setImmediate()
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
    },
  }
}
