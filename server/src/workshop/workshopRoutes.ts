import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import { raw } from 'express'
import { listBackups } from '../db/backup'
import type { Context } from '../parts/context'
import { serveRepository } from '../parts/repositoryRoutes'
import { serve, serveFile } from '../parts/serve'
import type { ArchiveService } from './archiveService'
import type { WorkshopService } from './workshopService'

/** Largest archive that is taken back, bytes. */
const largestArchiveBytes = 1024 * 1024 * 1024

export function workshopRoutes(
  router: Router,
  { workshop: service, archive }: { readonly workshop: WorkshopService; readonly archive: ArchiveService },
  { database }: Context,
): void {
  serveFile(router, endpoints.archive.make, async () => ({
    type: 'application/zip',
    content: Buffer.from(await archive.make()),
    headers: { 'Content-Disposition': 'attachment; filename="vendange-archive.zip"' },
  }))
  serve(router, endpoints.damage.list, () => service.damage())
  serve(router, endpoints.damage.settle, ({ params }) => service.settleDamage(params.id))
  router.post(endpoints.archive.take.path, raw({ type: () => true, limit: largestArchiveBytes }))
  serve(router, endpoints.archive.take, ({ request }) =>
    archive.take(Buffer.isBuffer(request.body) ? request.body : new Uint8Array()),
  )
  serve(router, endpoints.updateWorkshop, ({ body }) => service.update(body))
  serveRepository(router, endpoints.makers, service.makers)
  serve(router, endpoints.backups.list, () => Promise.resolve(listBackups(database.backupFolder)))
  serve(router, endpoints.backups.create, async () => {
    const fileName = await database.backup('on-request')
    const kept = listBackups(database.backupFolder).find((backup) => backup.fileName === fileName)
    if (!kept) throw new Error(`Expected the backup ${fileName} to be there`)
    return kept
  })
}
