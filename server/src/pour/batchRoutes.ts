import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import { serve } from '../parts/serve'
import type { BatchService } from './batchService'

export function batchRoutes(router: Router, service: BatchService): void {
  const { batches } = endpoints
  serve(router, batches.create, ({ body }) => service.create(body))
  serve(router, batches.move, ({ params, body }) => service.move(params.id, body.pourDay, body.cutDay, body.version))
  serve(router, batches.pin, ({ params, body }) => service.pin(params.id, body.isPinned, body.version))
  serve(router, batches.remove, ({ params, body }) => service.setRemoved(params.id, true, body.version))
  serve(router, batches.restore, ({ params, body }) => service.setRemoved(params.id, false, body.version))
  serve(router, batches.view, ({ params }) => service.view(params.id))
  serve(router, batches.record, ({ params, body, makerId }) => service.record(params.id, body, makerId()))
  serve(router, batches.finish, ({ params, makerId }) => service.finish(params.id, makerId()))
}
