import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import { listBackups } from '../db/backup'
import type { Context } from '../parts/context'
import { serveKept } from '../parts/keptRoutes'
import { serve } from '../parts/serve'
import type { WorkshopService } from './workshopService'

export function workshopRoutes(router: Router, service: WorkshopService, { database }: Context): void {
  serve(router, endpoints.updateWorkshop, ({ body }) => service.update(body))
  serveKept(router, endpoints.makers, service.makers)
  serve(router, endpoints.backups.list, () => Promise.resolve(listBackups(database.backupFolder)))
  serve(router, endpoints.backups.create, async () => {
    const fileName = await database.backup('on-request')
    const kept = listBackups(database.backupFolder).find((backup) => backup.fileName === fileName)
    if (!kept) throw new Error(`Expected the backup ${fileName} to be there`)
    return kept
  })
}
