import { sentence } from '@vendange/core/findings'
import type { LoafView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import type { LabelStock } from '@vendange/core/release'
import { labelStocks } from '@vendange/core/release'
import type { Router } from 'express'
import type { Context } from '../parts/context'
import { notFound, unprocessable } from '../parts/problems'
import { pdfReply, printed, shareOf } from '../parts/printing'
import type { Read } from '../parts/reading'
import { serve, serveFile, serveReading } from '../parts/serve'
import { readWorkshop } from '../db/workshopRow'
import type { AllotmentService } from './allotmentService'
import { labelSheet, labelSheetOfAll } from './labelsPdf'
import { shopStandIn } from './shopStandIn'

interface Services {
  readonly allotments: AllotmentService
  readonly loaves: { view(id: string): Promise<LoafView> }
}

const mostLabels = 2000
const mostLoaves = 100

export function releaseRoutes(router: Router, { allotments, loaves }: Services, context: Context, read: Read): void {
  serve(router, endpoints.release.allot, ({ body, makerId }) => allotments.allot(body, makerId()))
  serve(router, endpoints.release.giveOut, ({ body, makerId }) => allotments.giveOut(body.gifts, makerId()))
  serve(router, endpoints.release.takeSales, ({ body, makerId }) => allotments.takeSales(body.sales, makerId()))
  serve(router, endpoints.release.settleSale, ({ body, makerId }) => allotments.settleSale(body, makerId()))
  serve(router, endpoints.release.kept, () => allotments.kept())
  serveReading(router, endpoints.release.traceLot, ({ params }) => read('traceOfLot', params.id))

  const wholeOf = (text: unknown, most: number): number => {
    const count = Number(text ?? 1)
    if (!Number.isInteger(count) || count < 1 || count > most)
      throw unprocessable(sentence('labels_at_once', { most: mostLabels }))
    return count
  }
  const stockOf = (wanted: unknown): LabelStock => labelStocks.find(({ key }) => key === wanted) ?? labelStocks[0]!
  const jobOf = (job: unknown): string | undefined => (typeof job === 'string' ? job : undefined)

  serveFile(router, endpoints.release.labels, async ({ params, request: { query } }) => {
    const workshop = await readWorkshop(context.database.read)
    const count = wholeOf(query['count'], mostLabels)
    const view = await loaves.view(params.id)
    const today = context.clock.today(workshop.timeZone)
    const sheet = labelSheet(view, workshop, { stock: stockOf(query['stock']), count, today })
    return pdfReply(await printed('cards', sheet, jobOf(query['job'])))
  })
  serveFile(router, endpoints.release.allLabels, async ({ request: { query } }) => {
    const workshop = await readWorkshop(context.database.read)
    const stock = stockOf(query['stock'])
    const usedPlaces = wholeOf(query['first'], stock.columns * stock.rows) - 1
    const ids = typeof query['loaves'] === 'string' ? query['loaves'].split(',').filter(Boolean) : []
    wholeOf(ids.length, mostLoaves)
    const views: LoafView[] = []
    for (const id of new Set(ids)) views.push(await loaves.view(id))
    wholeOf(
      views.reduce((sum, { loaf }) => sum + loaf.state.releasedBars, 0),
      mostLabels,
    )
    const today = context.clock.today(workshop.timeZone)
    const sheet = labelSheetOfAll(views, workshop, { stock, usedPlaces, today })
    return pdfReply(await printed('cards', sheet, jobOf(query['job'])))
  })
  serve(router, endpoints.release.printing, ({ params }) => Promise.resolve({ share: shareOf(params.job) }))

  const shop = shopStandIn(context.database)
  const now = (): string => context.clock.now().toISOString()
  serve(router, endpoints.shop.offers, () => shop.offers(now()))
  serve(router, endpoints.shop.offer, ({ body }) => shop.offer(body, now()))
  serve(router, endpoints.shop.buy, async ({ params, body }) => {
    const { timeZone } = await readWorkshop(context.database.read)
    const today = context.clock.today(timeZone)
    return shop.buy(params.designId, body, { now: now(), today, zone: timeZone })
  })
  serve(router, endpoints.shop.sales, ({ params }) => {
    const after = Number(params.after)
    if (!Number.isSafeInteger(after)) throw notFound(sentence('id_unread'))
    return shop.sales(after)
  })
}
