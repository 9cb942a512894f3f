import type { LotPage, LotQuery, LotRow } from '@vendange/core/stores'
import { leftOfLot, lotFault, pageOfLots } from '@vendange/core/stores'
import { asc, eq, sql } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { stampOfLots } from '../db/keptStock'
import { ingredients, lots } from '../db/schema'
import { readWorkshop } from '../db/workshopRow'
import type { ReadingContext } from '../parts/context'

async function readRows(reader: Reader, today: string): Promise<readonly LotRow[]> {
  const rows = await reader
    .select({ lot: lots, ingredient: ingredients.name, kind: ingredients.kind })
    .from(lots)
    .innerJoin(ingredients, eq(ingredients.id, lots.ingredientId))
    .where(eq(lots.isRemoved, false))
    .orderBy(asc(lots.lotNumber), asc(lots.id))
  return rows.map(({ lot, ingredient, kind }): LotRow => {
    const leftAmount = leftOfLot(lot, lot.usedAmount)
    const { id, ingredientId, lotNumber, supplier, receivedDay, bestBeforeDay, receivedAmount, priceCents } = lot
    return {
      ...{ id, ingredientId, ingredient, kind, lotNumber, supplier, receivedDay, bestBeforeDay, receivedAmount },
      leftAmount,
      priceCents: priceCents === 0 ? null : priceCents,
      state: lotFault({ ...lot, leftAmount }, today) ?? 'here',
    }
  })
}

/** All deliveries as a table, those that are used up among them; read anew only once one of them is another. */
export function lotTable({ database, clock }: ReadingContext): (query: LotQuery) => Promise<LotPage> {
  let known: { readonly stamp: string; readonly rows: readonly LotRow[] } | undefined
  return async (query) => {
    const { read } = database
    const today = clock.today((await readWorkshop(read)).timeZone)
    const [named] = await read.select({ stamp: sql<string>`sum(${ingredients.version})` }).from(ingredients)
    const stamp = [database.epoch(), today, await stampOfLots(read), named?.stamp].join(' ')
    if (known?.stamp !== stamp) known = { stamp, rows: await readRows(read, today) }
    return pageOfLots(known.rows, query)
  }
}
