import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { serve } from '../parts/serve'
import type { BatchService } from './batchService'
import { runSheetPdf } from './runSheetPdf'

export function batchRoutes(router: Router, service: BatchService, context: Context): void {
  const { batches } = endpoints
  serve(router, batches.create, ({ body }) => service.create(body))
  serve(router, batches.move, ({ params, body }) => service.move(params.id, body.pourDay, body.cutDay, body.version))
  serve(router, batches.pin, ({ params, body }) => service.pin(params.id, body.isPinned, body.version))
  serve(router, batches.remove, ({ params, body }) => service.setRemoved(params.id, true, body.version))
  serve(router, batches.restore, ({ params, body }) => service.setRemoved(params.id, false, body.version))
  serve(router, batches.view, ({ params }) => service.view(params.id))
  router.get(batches.runSheet.path, async (request, response) => {
    const pdf = await runSheetPdf(await service.view(request.params.id), await readWorkshop(context.database.read))
    response.type('application/pdf').set('Cache-Control', 'no-cache').send(pdf)
  })
  serve(router, batches.record, ({ params, body, makerId }) => service.record(params.id, body, makerId()))
  serve(router, batches.timings, () => service.timings())
  serve(router, batches.finish, ({ params, makerId }) => service.finish(params.id, makerId()))
}
