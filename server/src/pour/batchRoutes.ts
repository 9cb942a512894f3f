import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { serve } from '../parts/serve'
import type { BenchService } from './benchService'
import type { PourPlanning } from './pourPlanning'
import { runSheetPdf } from './runSheetPdf'
import { readTimings } from './timings'

interface Services {
  readonly planning: PourPlanning
  readonly bench: BenchService
}

export function batchRoutes(router: Router, { planning, bench }: Services, context: Context): void {
  const { batches } = endpoints
  serve(router, batches.create, ({ body }) => planning.create(body))
  serve(router, batches.move, ({ params, body }) => planning.move(params.id, body.pourDay, body.cutDay, body.version))
  serve(router, batches.pin, ({ params, body }) => planning.pin(params.id, body.isPinned, body.version))
  serve(router, batches.remove, ({ params, body }) => planning.setRemoved(params.id, true, body.version))
  serve(router, batches.restore, ({ params, body }) => planning.setRemoved(params.id, false, body.version))
  serve(router, batches.view, ({ params }) => bench.view(params.id))
  router.get(batches.runSheet.path, async (request, response) => {
    const pdf = await runSheetPdf(await bench.view(request.params.id), await readWorkshop(context.database.read))
    response.type('application/pdf').set('Cache-Control', 'no-cache').send(pdf)
  })
  serve(router, batches.record, ({ params, body, makerId }) => bench.record(params.id, body, makerId()))
  serve(router, batches.timings, () => readTimings(context.database.read))
  serve(router, batches.finish, ({ params, makerId }) => bench.finish(params.id, makerId()))
}
