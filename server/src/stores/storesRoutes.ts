import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import { serveRepository } from '../parts/repositoryRoutes'
import { serve } from '../parts/serve'
import type { StoresService } from './storesService'

export function storesRoutes(router: Router, service: StoresService): void {
  serve(router, endpoints.stores, () => service.view())
  serve(router, endpoints.takeStoresIn, ({ body }) => service.takeIn(body as Parameters<StoresService['takeIn']>[0]))
  serveRepository(router, endpoints.ingredients, service.ingredients)
  serveRepository(router, endpoints.lots, service.lots)
}
