import type { SavedIngredient, StatedPrices } from '@vendange/contract'
import { blankIngredient } from '@vendange/contract'
import { keyOfIngredient } from '@vendange/core/stores'
import { eq } from 'drizzle-orm'
import type { Transaction } from '../db/database'
import { ingredients } from '../db/schema'
import { findRows } from '../db/versionedRepository'

/** Writes a maker's estimate to each thing that is named; what the stores do not keep yet comes in with it. */
export async function statePrices(
  transaction: Transaction,
  { prices }: StatedPrices,
  newId: () => string,
): Promise<void> {
  const known = (await findRows<SavedIngredient>(transaction, ingredients)).filter(({ isRemoved }) => !isRemoved)
  const idOf = new Map(known.map((one) => [keyOfIngredient(one), one]))
  for (const { kind, name, ref, listCents } of prices) {
    const kept = idOf.get(keyOfIngredient({ kind, name, ref }))
    const stated = { listCents, isListEstimate: true }
    if (kept) {
      await transaction
        .update(ingredients)
        .set({ ...stated, version: kept.version + 1 })
        .where(eq(ingredients.id, kept.id))
    } else {
      const row = { ...blankIngredient, kind, name, ref, ...stated, id: newId(), version: 1, isRemoved: false }
      await transaction.insert(ingredients).values(row)
      idOf.set(keyOfIngredient(row), row)
    }
  }
}
