import { endpoints } from '@vendange/contract'
import type { BatchView, SavedDesign, SavedMould } from '@vendange/contract'
import type { Router } from 'express'
import type { Reader } from '../db/database'
import { designs, moulds } from '../db/schema'
import { findRow } from '../db/versionedRepository'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { pdfReply } from '../parts/printing'
import type { Read } from '../parts/reading'
import { serve, serveFile, serveReading } from '../parts/serve'
import { inThread } from '../parts/threads'
import type { BenchService } from './benchService'
import type { PourPlanning } from './pourPlanning'
import { setTimingAside } from './timings'

interface Services {
  readonly planning: PourPlanning
  readonly bench: BenchService
}

/** What the pictures of a pour's moves are drawn of; null where no pour is planned. */
async function drawnOf(reader: Reader, { plan, batch }: BatchView) {
  if ((plan.moves ?? []).length === 0) return null
  return {
    mould: await findRow<SavedMould>(reader, moulds, batch.mouldId, 'mould'),
    design: await findRow<SavedDesign>(reader, designs, batch.designId, 'design'),
  }
}

export function batchRoutes(router: Router, { planning, bench }: Services, context: Context, read: Read): void {
  const { batches } = endpoints
  serve(router, batches.create, ({ body }) => planning.create(body))
  serve(router, batches.planSoap, ({ body }) => planning.planSoap(body))
  serve(router, batches.move, ({ params, body }) => planning.move(params.id, body.pourDay, body.cutDay, body.version))
  serve(router, batches.pin, ({ params, body }) => planning.pin(params.id, body.isPinned, body.version))
  serve(router, batches.remove, ({ params, body }) => planning.setRemoved(params.id, true, body.version))
  serve(router, batches.restore, ({ params, body }) => planning.setRemoved(params.id, false, body.version))
  serve(router, batches.view, ({ params }) => bench.view(params.id))
  serveFile(router, batches.runSheet, async ({ params }) => {
    const { read: reader } = context.database
    const view = await bench.view(params.id)
    const of = await drawnOf(reader, view)
    return pdfReply(await inThread('runSheet', { view, workshop: await readWorkshop(reader), of }))
  })
  serve(router, batches.record, ({ params, body, makerId }) => bench.record(params.id, body, makerId()))
  serveReading(router, batches.timings, () => read('timings'))
  serveReading(router, batches.setTimingAside, async ({ params, body }) => {
    await setTimingAside(context.database, params.id, body.reason)
    return read('timings')
  })
  serve(router, batches.finish, ({ params, makerId }) => bench.finish(params.id, makerId()))
}
