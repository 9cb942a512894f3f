import type { StoresView } from '@vendange/contract'
import { keyOfIngredient, needsOfPours } from '@vendange/core/stores'
import { cachedView } from '../db/cachedView'
import { keptStock } from '../db/keptStock'
import { readWorkshop } from '../db/workshopRow'
import type { ReadingContext } from '../parts/context'
import { readArchived, readUsedIngredientIds } from './archivedStores'
import { poursToSupply } from './poursToSupply'

/** The stores with what the pours on the calendar take of them, read anew only after a write or on another day. */
export function storesView(
  { database, clock }: ReadingContext,
  stockNow = keptStock(database),
): () => Promise<StoresView> {
  const today = async () => clock.today((await readWorkshop(database.read)).timeZone)
  return cachedView(
    database,
    async (view) => view.today === (await today()),
    async () => {
      const { read } = database
      const stock = await stockNow()
      const packaging = stock.ingredients
        .filter(({ kind }) => kind === 'packaging')
        .map((one) => ({ key: keyOfIngredient(one), name: one.name, perBar: one.perBar }))
      return {
        today: await today(),
        ingredients: stock.ingredients,
        lots: stock.lots,
        usedIngredientIds: await readUsedIngredientIds(read),
        archived: await readArchived(read),
        needs: needsOfPours(await poursToSupply(read, stock), packaging),
      }
    },
  )
}
