import { endpoints } from '@vendange/contract'
import { sentence } from '@vendange/core/findings'
import type { Request, Router } from 'express'
import { createReadStream, createWriteStream, rmSync } from 'node:fs'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { serveRepository } from '../parts/repositoryRoutes'
import { unprocessable } from '../parts/problems'
import { serve, worked } from '../parts/serve'
import type { ArchiveService } from './archiveService'
import type { BackupService } from './backupService'
import type { WorkshopService } from './workshopService'

/** Largest archive that is taken back, bytes. */
const largestArchiveBytes = 4 * 1024 ** 3

/** Writes what is sent into a file as it comes, and no more than may be. */
async function receive(request: Request, file: string): Promise<void> {
  let bytes = 0
  const bounded = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length
      done(bytes > largestArchiveBytes ? unprocessable(sentence('archive_too_large')) : null, chunk)
    },
  })
  try {
    await pipeline(request, bounded, createWriteStream(file))
  } catch (error) {
    // Whoever sent it hung up: there is nobody to be told.
    if (request.destroyed && !request.complete) throw unprocessable(sentence('archive_cut_off'))
    throw error
  }
}

export function workshopRoutes(
  router: Router,
  services: {
    readonly workshop: WorkshopService
    readonly archive: ArchiveService
    readonly backups: BackupService
  },
): void {
  const { workshop, archive, backups } = services
  router.get(endpoints.archive.make.path, async (request, response) => {
    const file = await worked(request, () => archive.make())
    response.type('application/zip').set('Content-Disposition', 'attachment; filename="vendange-archive.zip"')
    try {
      await pipeline(createReadStream(file), response)
    } catch (error) {
      // Whoever asked for it hung up.
      if (!response.destroyed) throw error
    } finally {
      rmSync(file, { force: true })
    }
  })
  serve(router, endpoints.archive.take, async ({ request }) => {
    await archive.refuseUnlessEmpty()
    const file = archive.freePath()
    try {
      await receive(request, file)
      return await archive.take(file)
    } finally {
      rmSync(file, { force: true })
    }
  })
  serve(router, endpoints.updateWorkshop, ({ body }) => workshop.update(body))
  serveRepository(router, endpoints.makers, workshop.makers)
  serve(router, endpoints.damage.list, () => workshop.damage())
  serve(router, endpoints.damage.settle, ({ params }) => workshop.settleDamage(params.id))
  serve(router, endpoints.backups.list, () => Promise.resolve(backups.list()))
  serve(router, endpoints.backups.create, () => backups.create())
  serve(router, endpoints.backups.restore, ({ params }) => backups.restore(params.name))
}
