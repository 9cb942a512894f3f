import { create, get, post, put, repositoryEndpoints, taking } from '../endpoint'
import type { OfVersion } from '../endpoint'
import type { NewMould, SavedMould } from '../schemas/mould'
import type { NewMaker, SavedMaker, SavedWorkshop, WorkshopDetails } from '../schemas/workshop'
import type { ArchiveTaken, BackupView, DamagedRow, HealthView } from '../views'

/** The workshop itself, its makers, its moulds, and its files. */
export const workshopEndpoints = {
  health: get<HealthView>()('/api/health', 'Whether the workshop is open'),
  openapi: get<Record<string, unknown>>()('/api/openapi.json', 'This description'),
  updateWorkshop: taking<WorkshopDetails & OfVersion>()(put<SavedWorkshop>()('/api/workshop', 'Change the workshop')),
  makers: repositoryEndpoints<NewMaker, SavedMaker>()('/api/makers', 'maker'),
  moulds: repositoryEndpoints<NewMould, SavedMould>()('/api/moulds', 'mould'),
  archive: {
    make: get<Blob>()('/api/archive', 'All that the workshop keeps, as one ZIP file (see docs/formats/archive.md)'),
    take: create<ArchiveTaken>()(
      '/api/archive',
      'Bring an archive back into a workshop that has nothing yet (ZIP as the body)',
    ),
  },
  damage: {
    list: get<readonly DamagedRow[]>()(
      '/api/damage',
      'Records that could not be read any more, with what stood in them',
    ),
    settle: post<readonly DamagedRow[]>()('/api/damage/:id', 'Say that a damaged record was seen to'),
  },
  backups: {
    list: get<readonly BackupView[]>()('/api/backups', 'Backups kept, newest first'),
    create: create<BackupView>()('/api/backups', 'Keep a dated backup now'),
    restore: post<BackupView>()(
      '/api/backups/:name/restore',
      'Put a backup in the place of all there is, which is kept as a backup itself',
    ),
  },
} as const
