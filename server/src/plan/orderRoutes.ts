import { endpoints } from '@vendange/contract'
import type { SavedOrder } from '@vendange/contract'
import { sentence } from '@vendange/core/findings'
import type { Router } from 'express'
import { orders } from '../db/schema'
import { findRow } from '../db/versionedRepository'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { unprocessable } from '../parts/problems'
import { serveRepository } from '../parts/repositoryRoutes'
import { pdfReply } from '../parts/printing'
import { serve, serveFile } from '../parts/serve'
import { inThread } from '../parts/threads'
import type { OrderService } from './orderService'

export function orderRoutes(router: Router, service: OrderService, { database, clock }: Context): void {
  serveRepository(router, endpoints.orders, service)
  serve(router, endpoints.orders.quote, ({ params, body }) => service.quote(params.id, body))
  serve(router, endpoints.orders.accept, ({ params, body }) => service.accept(params.id, body))
  serveFile(router, endpoints.orders.quoteSheet, async ({ params }) => {
    const workshop = await readWorkshop(database.read)
    const order = await findRow<SavedOrder>(database.read, orders, params.id, 'order')
    const { quoted } = order
    if (quoted === null) throw unprocessable(sentence('order_not_quoted'))
    const today = clock.today(workshop.timeZone)
    return pdfReply(await inThread('quote', { order: { ...order, quoted }, workshop, today }))
  })
}
