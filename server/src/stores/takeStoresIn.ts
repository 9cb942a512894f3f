import type { SavedIngredient, StoresImport } from '@vendange/contract'
import { blankIngredient } from '@vendange/contract'
import type { StoresChange } from '@vendange/core/stores'
import { adjustmentFor, keyOfIngredient, storesChanges } from '@vendange/core/stores'
import { eq } from 'drizzle-orm'
import { setImmediate } from 'node:timers/promises'
import type { Transaction } from '../db/database'
import { ingredients, lots } from '../db/schema'
import type { Stock } from '../db/storesRow'
import { readStock } from '../db/storesRow'
import { findRow } from '../db/versionedRepository'

type LotOfStock = Stock['lots'][number]

/** The ingredient that a line speaks of: the one it names, or a new one. */
async function ingredientOf(
  transaction: Transaction,
  change: StoresChange<LotOfStock>,
  newId: () => string,
): Promise<string> {
  const { row, ingredientId } = change
  if (ingredientId === undefined) {
    const id = newId()
    const { kind, name, ref, leadDays } = row
    const told = { kind, name, ref, leadDays: leadDays ?? 0 }
    await transaction.insert(ingredients).values({ ...blankIngredient, ...told, id, version: 1, isRemoved: false })
    return id
  }
  if (row.leadDays !== null) {
    const before = await findRow<SavedIngredient>(transaction, ingredients, ingredientId, 'ingredient')
    await transaction
      .update(ingredients)
      .set({ leadDays: row.leadDays, version: before.version + 1 })
      .where(eq(ingredients.id, ingredientId))
  }
  return ingredientId
}

/** Writes down the lot that a line tells of: what is new of a known lot, or a new lot. */
async function takeLotIn(
  transaction: Transaction,
  { row, lot }: StoresChange<LotOfStock>,
  ingredientId: string,
  newId: () => string,
): Promise<void> {
  if (!row.lot) return
  const { leftAmount, ...told } = row.lot
  const used = lot?.usedAmount ?? 0
  const adjustment = leftAmount === null ? (lot?.adjustment ?? 0) : adjustmentFor(leftAmount, told.receivedAmount, used)
  if (lot) {
    await transaction
      .update(lots)
      .set({ ...told, adjustment, version: lot.version + 1 })
      .where(eq(lots.id, lot.id))
    return
  }
  await transaction.insert(lots).values({
    id: newId(),
    version: 1,
    isRemoved: false,
    ingredientId,
    ...told,
    adjustment,
    openedDay: null,
    isRecalled: false,
    certificate: null,
  })
}

/** Takes every line of a file of stores in. */
export async function takeStoresIn(
  transaction: Transaction,
  { rows }: StoresImport,
  newId: () => string,
): Promise<void> {
  const stock = await readStock(transaction)
  // A later line may speak of what an earlier one has brought in.
  const made = new Map<string, string>()
  for (const change of storesChanges(rows, stock.ingredients, stock.lots)) {
    await setImmediate()
    if (change.effect === 'nothing') continue
    const key = keyOfIngredient(change.row)
    const ingredientId = made.get(key) ?? (await ingredientOf(transaction, change, newId))
    made.set(key, ingredientId)
    await takeLotIn(transaction, change, ingredientId, newId)
  }
}
