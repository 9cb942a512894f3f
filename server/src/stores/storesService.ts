import type {
  NewInfusion,
  NewIngredient,
  NewLot,
  SavedIngredient,
  SavedLot,
  StatedPrices,
  StoresImport,
  Strained,
} from '@vendange/contract'
import type { Finding } from '@vendange/core/findings'
import { quantity, refuse } from '@vendange/core/findings'
import { fatOf } from '@vendange/core/recipe'
import { checkCertificate, leftOfLot } from '@vendange/core/stores'
import { and, eq, sql } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { ingredients, lots } from '../db/schema'
import { readOwnFats } from '../db/storesRow'
import type { VersionedRepository } from '../db/versionedRepository'
import { findRow, versionedRepository } from '../db/versionedRepository'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { putBack, startInfusion, strain } from './infusions'
import { statePrices } from './statePrices'
import { takeStoresIn } from './takeStoresIn'

export interface StoresService {
  readonly ingredients: VersionedRepository<NewIngredient, SavedIngredient>
  readonly lots: VersionedRepository<NewLot, SavedLot>
  /** Takes every line in, or none. */
  takeIn(file: StoresImport): Promise<void>
  /** Puts a herb into an oil: what is taken goes off the lots at once. @throws 422 where there is too little of the oil */
  startInfusion(infusion: NewInfusion): Promise<SavedLot>
  /** So much came out of an infusion. @throws 422 where it is none that steeps */
  strain(lotId: string, strained: Strained): Promise<SavedLot>
  /** Writes estimates of prices to what is named, all of them or none. */
  statePrices(stated: StatedPrices): Promise<void>
}

export function storesService({ database, newId, clock }: Context): StoresService {
  /** A certificate that cannot be of this fat would make a wrong lye; less than was used cannot have come. */
  async function checkLot(lot: NewLot, reader: Reader, id: string | undefined): Promise<readonly Finding[]> {
    const { ingredientId, certificate } = lot
    if (id !== undefined) {
      const before = await findRow<SavedLot & { readonly usedAmount: number }>(reader, lots, id, 'lot')
      const { usedAmount } = before
      // What is below zero already may be mended step by step, and never gets worse.
      if (leftOfLot(lot, usedAmount) < Math.min(0, leftOfLot(before, usedAmount)))
        return [refuse('lot_below_zero', { used: quantity.figure(usedAmount, 1) }, 'receivedAmount')]
    }
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

  return {
    ingredients: versionedRepository<NewIngredient, SavedIngredient>(database, ingredients, {
      noun: 'ingredient',
      newId,
      check: checkIngredient,
    }),
    lots: versionedRepository<NewLot, SavedLot>(database, lots, {
      noun: 'lot',
      newId,
      check: checkLot,
      // A lot that is brought back has a place to be seen at.
      written: async (transaction, { ingredientId, isRemoved, infusion }, before) => {
        if (before && infusion?.isStrained === false && before.isRemoved !== isRemoved)
          await putBack(transaction, infusion.parts, isRemoved ? 1 : -1)
        if (before?.isRemoved !== true || isRemoved) return
        await transaction
          .update(ingredients)
          .set({ isRemoved: false, version: sql`${ingredients.version} + 1` })
          .where(and(eq(ingredients.id, ingredientId), eq(ingredients.isRemoved, true)))
      },
    }),
    startInfusion: (infusion) =>
      database.write(async (transaction) => {
        const { timeZone } = await readWorkshop(transaction)
        return startInfusion(transaction, infusion, { newId, today: clock.today(timeZone) })
      }),
    strain: (lotId, strained) =>
      database.write(async (transaction) => {
        const { timeZone } = await readWorkshop(transaction)
        return strain(transaction, lotId, strained, clock.today(timeZone))
      }),
    statePrices: (stated) => database.write((transaction) => statePrices(transaction, stated, newId)),
    takeIn: (file) =>
      database.write(async (transaction) => {
        await takeStoresIn(transaction, file, newId)
      }),
  }
}
