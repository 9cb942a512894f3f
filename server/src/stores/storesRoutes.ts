import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import type { Read } from '../parts/reading'
import { serveRepository } from '../parts/repositoryRoutes'
import { serveReading } from '../parts/serve'
import type { StoresService } from './storesService'

export function storesRoutes(router: Router, service: StoresService, read: Read): void {
  serveReading(router, endpoints.stores, () => read('stores'))
  serveReading(router, endpoints.takeStoresIn, async ({ body }) => {
    await service.takeIn(body as Parameters<StoresService['takeIn']>[0])
    return read('stores')
  })
  serveRepository(router, endpoints.ingredients, service.ingredients)
  serveRepository(router, endpoints.lots, service.lots)
}
