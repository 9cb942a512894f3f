import type { BackupView } from '@vendange/contract'
import { sentence } from '@vendange/core/findings'
import { join } from 'node:path'
import { listBackups } from '../db/backup'
import { RestoreRefused } from '../db/refusedFile'
import type { Context } from '../parts/context'
import { notFound, unprocessable } from '../parts/problems'

export interface BackupService {
  /** Those that are kept, newest first. */
  list(): readonly BackupView[]
  create(): Promise<BackupView>
  /** Puts one in the place of all there is, which is kept as a backup first. @throws 404, 422 */
  restore(name: string): Promise<BackupView>
}

export function backupService({ database }: Context): BackupService {
  const list = (): readonly BackupView[] => listBackups(database.backupFolder)
  async function create(label: string, spare: readonly string[] = []): Promise<BackupView> {
    const fileName = await database.backup(label, spare)
    const kept = list().find((backup) => backup.fileName === fileName)
    if (!kept) throw new Error(`Expected the backup ${fileName} to be there`)
    return kept
  }
  return {
    list,
    create: () => create('on-request'),
    restore: async (name) => {
      if (!list().some(({ fileName }) => fileName === name)) throw notFound(sentence('backup_unknown'))
      const before = await create('before-restore', [name])
      try {
        await database.replaceBy(join(database.backupFolder, name))
      } catch (error) {
        if (error instanceof RestoreRefused) throw unprocessable(sentence('backup_unsound'))
        throw error
      }
      return before
    },
  }
}
