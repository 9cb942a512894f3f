import type { LotPage, LotQuery, LotRow } from '@vendange/core/stores'
import { leftOfLot, lotFault, pageOfLots } from '@vendange/core/stores'
import { eq } from 'drizzle-orm'
import { ingredients, lots } from '../db/schema'
import { readWorkshop } from '../db/workshopRow'
import type { ReadingContext } from '../parts/context'

/** All deliveries as a table, those that are used up among them. */
export async function lotTable({ database, clock }: ReadingContext, query: LotQuery): Promise<LotPage> {
  const { read } = database
  const today = clock.today((await readWorkshop(read)).timeZone)
  const rows = await read
    .select({ lot: lots, ingredient: ingredients.name, kind: ingredients.kind })
    .from(lots)
    .innerJoin(ingredients, eq(ingredients.id, lots.ingredientId))
    .where(eq(lots.isRemoved, false))
  return pageOfLots(
    rows.map(({ lot, ingredient, kind }): LotRow => {
      const leftAmount = leftOfLot(lot, lot.usedAmount)
      const { id, ingredientId, lotNumber, supplier, receivedDay, bestBeforeDay, receivedAmount, priceCents } = lot
      return {
        ...{ id, ingredientId, ingredient, kind, lotNumber, supplier, receivedDay, bestBeforeDay, receivedAmount },
        leftAmount,
        priceCents: priceCents === 0 ? null : priceCents,
        state: lotFault({ ...lot, leftAmount }, today) ?? 'here',
      }
    }),
    query,
  )
}
