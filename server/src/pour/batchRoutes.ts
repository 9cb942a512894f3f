import { endpoints } from '@vendange/contract'
import type { BatchView, SavedDesign, SavedMould } from '@vendange/contract'
import { sectionOf, sectionsAfterMoves, svgOfSection, tintOf } from '@vendange/core/pour'
import type { Router } from 'express'
import { setImmediate } from 'node:timers/promises'
import type { Reader } from '../db/database'
import { designs, moulds } from '../db/schema'
import { findRow } from '../db/versionedRepository'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { serve, serveFile } from '../parts/serve'
import type { BenchService } from './benchService'
import type { PourPlanning } from './pourPlanning'
import { runSheetPdf } from './runSheetPdf'
import { readTimings, setTimingAside } from './timings'

interface Services {
  readonly planning: PourPlanning
  readonly bench: BenchService
}

/** The section after each move of a pour, as SVG; none where no pour is planned. */
async function movePictures(reader: Reader, { plan, batch }: BatchView): Promise<readonly string[]> {
  if ((plan.moves ?? []).length === 0) return []
  const mould = await findRow<SavedMould>(reader, moulds, batch.mouldId, 'mould')
  const design = await findRow<SavedDesign>(reader, designs, batch.designId, 'design')
  const pictures: string[] = []
  for (const after of sectionsAfterMoves(plan, sectionOf(mould), tintOf(design))) {
    pictures.push(svgOfSection(after, `After move ${pictures.length + 1}`))
    // One picture takes some ms: others are answered in between.
    await setImmediate()
  }
  return pictures
}

export function batchRoutes(router: Router, { planning, bench }: Services, context: Context): void {
  const { batches } = endpoints
  serve(router, batches.create, ({ body }) => planning.create(body))
  serve(router, batches.move, ({ params, body }) => planning.move(params.id, body.pourDay, body.cutDay, body.version))
  serve(router, batches.pin, ({ params, body }) => planning.pin(params.id, body.isPinned, body.version))
  serve(router, batches.remove, ({ params, body }) => planning.setRemoved(params.id, true, body.version))
  serve(router, batches.restore, ({ params, body }) => planning.setRemoved(params.id, false, body.version))
  serve(router, batches.view, ({ params }) => bench.view(params.id))
  serveFile(router, batches.runSheet, async ({ params }) => {
    const { read } = context.database
    const view = await bench.view(params.id)
    const pdf = await runSheetPdf(view, await readWorkshop(read), await movePictures(read, view))
    return { type: 'application/pdf', content: pdf }
  })
  serve(router, batches.record, ({ params, body, makerId }) => bench.record(params.id, body, makerId()))
  serve(router, batches.timings, () => readTimings(context.database.read))
  serve(router, batches.setTimingAside, async ({ params, body }) => {
    await setTimingAside(context.database, params.id, body.reason)
    return readTimings(context.database.read)
  })
  serve(router, batches.finish, ({ params, makerId }) => bench.finish(params.id, makerId()))
}
