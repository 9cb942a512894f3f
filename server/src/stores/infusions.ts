import type { NewInfusion, SavedIngredient, SavedLot, SavedOwnFat, Strained } from '@vendange/contract'
import { blankIngredient } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import type { Fat } from '@vendange/core/fats'
import { ownFatKey, ownFatLike } from '@vendange/core/fats'
import { quantity, sentence } from '@vendange/core/findings'
import { fatOf, plainName } from '@vendange/core/recipe'
import type { Infusion, LotUse } from '@vendange/core/stores'
import {
  costOfInfusion,
  expectedYieldG,
  infusionNumber,
  keepsUntil,
  strainingDay,
  takeOldestFirst,
} from '@vendange/core/stores'
import { eq, isNotNull, sql } from 'drizzle-orm'
import type { Reader, Transaction } from '../db/database'
import { ingredients, lots, ownFats } from '../db/schema'
import { readOwnFats, readStock } from '../db/storesRow'
import { findRow, findRows } from '../db/versionedRepository'
import { stale, unprocessable } from '../parts/problems'

/** Takes parts off their lots, or puts them back where an infusion is given up. @param way 1: back; -1: off again */
export async function putBack(transaction: Transaction, parts: readonly LotUse[], way: 1 | -1): Promise<void> {
  for (const { lotId, amount } of parts)
    await transaction
      .update(lots)
      .set({ adjustment: sql`${lots.adjustment} + ${way * amount}`, version: sql`${lots.version} + 1` })
      .where(eq(lots.id, lotId))
}

/** Infusions that came out, with how much, to learn from. */
async function strainedBefore(
  reader: Reader,
): Promise<readonly (Pick<Infusion, 'oilG' | 'herbG'> & { readonly yieldG: number })[]> {
  const rows = await reader
    .select({ infusion: lots.infusion, yieldG: lots.receivedAmount })
    .from(lots)
    .where(isNotNull(lots.infusion))
  return rows.flatMap(({ infusion, yieldG }) => (infusion?.isStrained === true ? [{ ...infusion, yieldG }] : []))
}

/** The fat that an infused oil is: its base's figures under a name of its own. @returns its key */
async function infusedFat(transaction: Transaction, name: string, base: Fat, newId: () => string): Promise<string> {
  const known = (await findRows<SavedOwnFat>(transaction, ownFats)).find(
    (one) => !one.isRemoved && plainName(one.name) === plainName(name),
  )
  if (known) return ownFatKey(known.id)
  const id = newId()
  await transaction.insert(ownFats).values({ ...ownFatLike(base, name), id, version: 1, isRemoved: false })
  return ownFatKey(id)
}

/** Puts a herb into an oil: what is taken goes off the lots at once, what will come out is on its way. @throws 422 */
export async function startInfusion(
  transaction: Transaction,
  { oilId, oilG, herbId, herb, herbG, days, name }: NewInfusion,
  { newId, today }: { readonly newId: () => string; readonly today: Day },
): Promise<SavedLot> {
  const stock = await readStock(transaction)
  const take = (ingredientId: string, amount: number, field: string, called: string): readonly LotUse[] => {
    const own = stock.lots.filter((lot) => lot.ingredientId === ingredientId)
    const { taken, missing } = takeOldestFirst(own, amount, today)
    if (missing > 0) {
      const there = quantity.fineMass(amount - missing)
      const message = sentence('infusion_short', { name: called, there })
      throw unprocessable(message, [{ field, message }])
    }
    return taken
  }
  const oil = await findRow<SavedIngredient>(transaction, ingredients, oilId, 'ingredient')
  const base = fatOf({ knownFats: await readOwnFats(transaction) }, oil.ref)
  if (!base) throw unprocessable(sentence('which_fat'), [{ field: 'oilId', message: sentence('which_fat') }])
  const parts = [...take(oilId, oilG, 'oilG', oil.name), ...(herbId === null ? [] : take(herbId, herbG, 'herbG', herb))]
  const ref = await infusedFat(transaction, name, base, newId)
  const kept = stock.ingredients.find((one) => one.kind === 'fat' && one.ref === ref)
  const ingredientId = kept?.id ?? newId()
  if (!kept)
    await transaction.insert(ingredients).values({
      ...blankIngredient,
      kind: 'fat',
      name,
      ref,
      leadDays: days,
      id: ingredientId,
      version: 1,
      isRemoved: false,
    })
  await putBack(transaction, parts, -1)
  const numbers = stock.lots.map(({ lotNumber }) => lotNumber)
  const [lot] = await transaction
    .insert(lots)
    .values({
      id: newId(),
      version: 1,
      isRemoved: false,
      ingredientId,
      supplier: '',
      lotNumber: infusionNumber(today, numbers),
      receivedDay: strainingDay(today, days),
      openedDay: null,
      bestBeforeDay: keepsUntil(parts, stock.lots),
      isRecalled: false,
      receivedAmount: expectedYieldG({ oilG, herbG }, await strainedBefore(transaction)).massG,
      adjustment: 0,
      priceCents: costOfInfusion(parts, stock.lots),
      carriageCents: 0,
      certificate: null,
      infusion: { startedDay: today, parts, oilG, herbG, herb, isStrained: false },
    })
    .returning()
  if (!lot) throw new Error('Expected the lot that was just made')
  return lot as SavedLot
}

/** So much came out: from today on it may be used. @throws 422 where it is no infusion that steeps; 409 */
export async function strain(
  transaction: Transaction,
  lotId: string,
  { yieldG, version }: Strained,
  today: Day,
): Promise<SavedLot> {
  const before = await findRow<SavedLot>(transaction, lots, lotId, 'lot')
  if (before.version !== version) throw stale('lot', before)
  const { infusion } = before
  if (!infusion || infusion.isStrained || before.isRemoved) throw unprocessable(sentence('no_infusion'))
  if (yieldG > infusion.oilG) {
    const message = sentence('yield_over', { most: quantity.mass(infusion.oilG) })
    throw unprocessable(message, [{ field: 'yieldG', message }])
  }
  const [lot] = await transaction
    .update(lots)
    .set({
      receivedAmount: yieldG,
      receivedDay: today,
      infusion: { ...infusion, isStrained: true },
      version: version + 1,
    })
    .where(eq(lots.id, lotId))
    .returning()
  if (!lot) throw new Error('Expected the lot that was just strained')
  return lot as SavedLot
}
