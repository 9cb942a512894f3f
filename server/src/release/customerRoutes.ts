import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import type { Read } from '../parts/reading'
import { serveRepository } from '../parts/repositoryRoutes'
import { serve, serveReading } from '../parts/serve'
import type { CustomerService } from './customerService'

export function customerRoutes(router: Router, customers: CustomerService, read: Read): void {
  // Before those of the repository, whose ids are anything.
  serveReading(router, endpoints.customers.takeIn, async ({ body }) => {
    await customers.takeIn(body)
    return read('customers')
  })
  serveReading(router, endpoints.customers.barsBack, async ({ body, makerId }) => {
    await customers.barsBack(body, makerId())
    return read('customers')
  })
  serveReading(router, endpoints.customers.view, () => read('customers'))
  serveRepository(router, endpoints.customers, customers)
  serve(router, endpoints.givenForOrder, ({ params }) => customers.givenFor(params.id))
  serve(router, endpoints.givenInCollection, ({ params }) => customers.givenIn(params.id))
  serve(router, endpoints.sendOrder, ({ params, body, makerId }) => customers.send(params.id, body.version, makerId()))
}
