import { sentence } from '@vendange/core/findings'
import type { LoafView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { labelStocks } from '@vendange/core/release'
import type { Router } from 'express'
import type { Context } from '../parts/context'
import { notFound, unprocessable } from '../parts/problems'
import { pdfReply, printed, shareOf } from '../parts/printing'
import type { Read } from '../parts/reading'
import { serve, serveFile, serveReading } from '../parts/serve'
import { readWorkshop } from '../db/workshopRow'
import type { AllotmentService } from './allotmentService'
import { labelSheet } from './labelsPdf'
import { shopStandIn } from './shopStandIn'

interface Services {
  readonly allotments: AllotmentService
  readonly loaves: { view(id: string): Promise<LoafView> }
}

const mostLabels = 2000

export function releaseRoutes(router: Router, { allotments, loaves }: Services, context: Context, read: Read): void {
  serve(router, endpoints.release.allot, ({ body, makerId }) => allotments.allot(body, makerId()))
  serve(router, endpoints.release.takeSales, ({ body, makerId }) => allotments.takeSales(body.sales, makerId()))
  serve(router, endpoints.release.settleSale, ({ body, makerId }) => allotments.settleSale(body, makerId()))
  serve(router, endpoints.release.kept, () => allotments.kept())
  serveReading(router, endpoints.release.traceLot, ({ params }) => read('traceOfLot', params.id))

  serveFile(router, endpoints.release.labels, async ({ params, request }) => {
    const workshop = await readWorkshop(context.database.read)
    const stock = labelStocks.find(({ key }) => key === request.query['stock']) ?? labelStocks[0]
    const count = Number(request.query['count'] ?? 1)
    if (!stock || !Number.isInteger(count) || count < 1 || count > mostLabels)
      throw unprocessable(sentence('labels_at_once', { most: mostLabels }))
    const view = await loaves.view(params.id)
    const sheet = labelSheet(view, workshop, { stock, count, today: context.clock.today(workshop.timeZone) })
    const { job } = request.query
    return pdfReply(await printed('cards', sheet, typeof job === 'string' ? job : undefined))
  })
  serve(router, endpoints.release.printing, ({ params }) => Promise.resolve({ share: shareOf(params.job) }))

  const shop = shopStandIn(context.database)
  serve(router, endpoints.shop.offers, () => shop.offers())
  serve(router, endpoints.shop.offer, ({ body }) => shop.offer(body))
  serve(router, endpoints.shop.buy, async ({ params, body }) => {
    const { timeZone } = await readWorkshop(context.database.read)
    return shop.buy(params.designId, body.bars, body.buyer, context.clock.today(timeZone))
  })
  serve(router, endpoints.shop.sales, ({ params }) => {
    const after = Number(params.after)
    if (!Number.isSafeInteger(after)) throw notFound(sentence('id_unread'))
    return shop.sales(after)
  })
}
