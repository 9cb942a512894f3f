import type { SavedIngredient } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import { ingredients } from '../db/schema'
import { readStock } from '../db/storesRow'
import { findRow } from '../db/versionedRepository'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { pdfReply, printed } from '../parts/printing'
import type { Read } from '../parts/reading'
import { serveRepository } from '../parts/repositoryRoutes'
import { serve, serveFile, serveReading } from '../parts/serve'
import { lotCardSheet } from './lotCards'
import type { StoresService } from './storesService'

export function storesRoutes(router: Router, service: StoresService, { database, clock }: Context, read: Read): void {
  serveReading(router, endpoints.stores, () => read('stores'))
  serveReading(router, endpoints.takeStoresIn, async ({ body }) => {
    await service.takeIn(body as Parameters<StoresService['takeIn']>[0])
    return read('stores')
  })
  serveReading(router, endpoints.prices, () => read('prices'))
  serveReading(router, endpoints.statePrices, async ({ body }) => {
    await service.statePrices(body)
    return read('prices')
  })
  serveReading(router, endpoints.lotTable, ({ body }) => read('lotTable', body))
  serveReading(router, endpoints.scraps, () => read('scraps'))
  serveRepository(router, endpoints.ingredients, service.ingredients)
  serve(router, endpoints.infusions.start, ({ body }) => service.startInfusion(body))
  serve(router, endpoints.infusions.strain, ({ params, body }) => service.strain(params.id, body))
  serveRepository(router, endpoints.lots, service.lots)
  serveFile(router, endpoints.lotCards, async ({ params }) => {
    const ingredient = await findRow<SavedIngredient>(database.read, ingredients, params.id, 'ingredient')
    const settings = await readWorkshop(database.read)
    const { lots } = await readStock(database.read)
    const own = lots.filter(({ ingredientId, leftAmount }) => ingredientId === ingredient.id && leftAmount > 0)
    return pdfReply(await printed('cards', lotCardSheet(ingredient, own, settings, clock.today(settings.timeZone))))
  })
}
