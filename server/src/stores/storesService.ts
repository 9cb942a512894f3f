import type { NewIngredient, NewLot, SavedIngredient, SavedLot, StoresImport, StoresView } from '@vendange/contract'

import type { SavedMaker } from '@vendange/contract'
import { mouldsOfPlan } from '@vendange/core/batch'
import type { Finding } from '@vendange/core/findings'
import { refuse } from '@vendange/core/findings'
import { fatOf } from '@vendange/core/recipe'
import { batchDays, workingHours } from '@vendange/core/season'
import type { PourToSupply, StoresChange } from '@vendange/core/stores'
import { adjustmentFor, checkCertificate, keyOfIngredient, needsOfPours, storesChanges } from '@vendange/core/stores'
import { and, eq, inArray, ne, notInArray, or } from 'drizzle-orm'
import { freezeBatch } from '../db/batchRow'
import type { Reader, Transaction } from '../db/database'
import type { VersionedRepository } from '../db/versionedRepository'
import { cachedView } from '../db/cachedView'
import { findRow, findRows, versionedRepository } from '../db/versionedRepository'
import { batches, benchRecords, designs, ingredients, loaves, lots, makers } from '../db/schema'
import type { Stock } from '../db/storesRow'
import { readOwnFats, readStock } from '../db/storesRow'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'

export interface StoresService {
  readonly ingredients: VersionedRepository<NewIngredient, SavedIngredient>
  readonly lots: VersionedRepository<NewLot, SavedLot>
  view(): Promise<StoresView>
  /** Takes every line in, or none. */
  takeIn(file: StoresImport): Promise<StoresView>
}

type LotOfStock = Stock['lots'][number]

export function storesService({ database, clock, newId }: Context): StoresService {
  /** A certificate that cannot be of this fat would make a wrong lye. */
  async function checkLot({ ingredientId, certificate }: NewLot, reader: Reader): Promise<readonly Finding[]> {
    if (!certificate) return []
    const { ref } = await findRow<SavedIngredient>(reader, ingredients, ingredientId, 'ingredient')
    const fat = fatOf({ knownFats: await readOwnFats(reader) }, ref)
    return fat ? checkCertificate(fat, certificate) : []
  }

  /** Which fat it is must be one of the table or of the workshop's own. */
  async function checkIngredient({ kind, ref }: NewIngredient, reader: Reader): Promise<readonly Finding[]> {
    if (kind !== 'fat' || fatOf({ knownFats: await readOwnFats(reader) }, ref)) return []
    return [refuse('which_fat', undefined, 'ref')]
  }

  /** Pours that are not made yet and can be made as they stand, and those whose bars are still to be packed. */
  async function poursToSupply(reader: Reader, stock: Stock): Promise<readonly PourToSupply[]> {
    const workshop = await readWorkshop(reader)
    const working = workingHours({ workshop, makers: await findRows<SavedMaker>(reader, makers) })
    const onTheRack = await reader
      .select({ batchId: loaves.batchId, part: loaves.part })
      .from(loaves)
      .where(and(eq(loaves.isDone, false), notInArray(loaves.status, ['released', 'failed'])))
    const onRacks = [...new Set(onTheRack.map(({ batchId }) => batchId))]
    const rows = await reader
      .select({ batch: batches, design: designs })
      .from(batches)
      .innerJoin(designs, eq(batches.designId, designs.id))
      .where(and(eq(batches.isRemoved, false), or(ne(batches.status, 'poured'), inArray(batches.id, onRacks))))
    const records = await reader
      .select({ batchId: benchRecords.batchId, stepKey: benchRecords.stepKey })
      .from(benchRecords)
      .where(
        inArray(
          benchRecords.batchId,
          rows.map(({ batch }) => batch.id),
        ),
      )
    const doneOf = new Map<string, Set<string>>()
    for (const { batchId, stepKey } of records) doneOf.set(batchId, (doneOf.get(batchId) ?? new Set()).add(stepKey))
    const pours: PourToSupply[] = []
    for (const { batch, design } of rows) {
      const loavesLeft = onTheRack.filter(({ batchId }) => batchId === batch.id)
      if (batch.status === 'poured' && loavesLeft.length === 0) continue
      const hasParts = design.recipeId !== null && (design.mouldId ?? batch.own?.mouldId ?? null) !== null
      if (!batch.frozen && !hasParts) continue
      const { plan, demand } = batch.frozen ?? (await freezeBatch(reader, batch, stock))
      const { prepDay, readyDay } = batchDays(batch.pourDay, demand, working)
      pours.push({
        batchId: batch.id,
        batchName: plan.designName,
        plan,
        prepDay,
        readyDay,
        bars:
          batch.status === 'poured'
            ? loavesLeft.reduce((sum, { part }) => sum + (mouldsOfPlan(plan)[part]?.barsPerMould ?? 0), 0)
            : plan.barsPlanned,
        doneSteps: doneOf.get(batch.id) ?? new Set(),
      })
    }
    return pours
  }

  async function view(reader: Reader): Promise<StoresView> {
    const stock = await readStock(reader)
    const packaging = stock.ingredients
      .filter(({ kind }) => kind === 'packaging')
      .map((one) => ({ key: keyOfIngredient(one), name: one.name, perBar: one.perBar }))
    return {
      today: clock.today((await readWorkshop(reader)).timeZone),
      ingredients: stock.ingredients,
      lots: stock.lots,
      needs: needsOfPours(await poursToSupply(reader, stock), packaging),
    }
  }

  async function ingredientOf(transaction: Transaction, change: StoresChange<LotOfStock>): Promise<string> {
    const { row, ingredientId } = change
    if (ingredientId === undefined) {
      const id = newId()
      const { kind, name, ref, leadDays } = row
      await transaction.insert(ingredients).values({
        id,
        version: 1,
        isRemoved: false,
        kind,
        name,
        ref,
        leadDays: leadDays ?? 0,
        packSize: 0,
        perBar: 0,
        notes: '',
      })
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

  async function takeLotIn(
    transaction: Transaction,
    { row, lot }: StoresChange<LotOfStock>,
    ingredientId: string,
  ): Promise<void> {
    if (!row.lot) return
    const { leftAmount, ...told } = row.lot
    const used = lot?.usedAmount ?? 0
    const adjustment =
      leftAmount === null ? (lot?.adjustment ?? 0) : adjustmentFor(leftAmount, told.receivedAmount, used)
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

  return {
    ingredients: versionedRepository<NewIngredient, SavedIngredient>(database, ingredients, {
      noun: 'ingredient',
      newId,
      check: checkIngredient,
    }),
    lots: versionedRepository<NewLot, SavedLot>(database, lots, { noun: 'lot', newId, check: checkLot }),
    view: cachedView(
      database,
      async ({ today }) => today === clock.today((await readWorkshop(database.read)).timeZone),
      () => view(database.read),
    ),
    takeIn: ({ rows }) =>
      database.write(async (transaction) => {
        const stock = await readStock(transaction)
        // A later line may speak of what an earlier one has brought in.
        const made = new Map<string, string>()
        for (const change of storesChanges(rows, stock.ingredients, stock.lots)) {
          if (change.effect === 'nothing') continue
          const key = keyOfIngredient(change.row)
          const ingredientId = made.get(key) ?? (await ingredientOf(transaction, change))
          made.set(key, ingredientId)
          await takeLotIn(transaction, change, ingredientId)
        }
        return view(transaction)
      }),
  }
}
