import type { StoresView } from '@vendange/contract'
import { leftOfLot } from '@vendange/core/stores'
import { and, asc, desc, eq, gt, inArray } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { ingredients, lots } from '../db/schema'

/** Ingredients that some pour took from, however long ago. */
export async function readUsedIngredientIds(reader: Reader): Promise<readonly string[]> {
  const rows = await reader.selectDistinct({ id: lots.ingredientId }).from(lots).where(gt(lots.usedAmount, 0))
  return rows.map(({ id }) => id)
}

/** What was in use and has been taken away, the latest first. */
export async function readArchived(reader: Reader): Promise<StoresView['archived']> {
  const isUsed = gt(lots.usedAmount, 0)
  const rows = await reader
    .select({ lot: lots, ingredientName: ingredients.name, kind: ingredients.kind })
    .from(lots)
    .innerJoin(ingredients, eq(lots.ingredientId, ingredients.id))
    .where(and(eq(lots.isRemoved, true), isUsed))
    .orderBy(desc(lots.receivedDay), asc(lots.id))
  const used = reader.select({ id: lots.ingredientId }).from(lots).where(isUsed)
  return {
    ingredients: await reader
      .select()
      .from(ingredients)
      .where(and(eq(ingredients.isRemoved, true), inArray(ingredients.id, used)))
      .orderBy(asc(ingredients.name)),
    lots: rows.map(({ lot, ...of }) => ({ ...lot, ...of, leftAmount: leftOfLot(lot, lot.usedAmount) })),
  }
}
