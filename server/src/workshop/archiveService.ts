import { sentence } from '@vendange/core/findings'
import type { ArchiveTaken } from '@vendange/contract'
import { rmSync } from 'node:fs'
import { dirname, join } from 'node:path'
import type { Reader } from '../db/drizzle'
import { batches, designs } from '../db/schema'
import type { Context } from '../parts/context'
import { partEnding } from '../db/backup'
import { unprocessable } from '../parts/problems'
import { inThread } from '../parts/threads'

export interface ArchiveService {
  /** All that the workshop keeps, as one file. @returns where it lies; the caller takes it away */
  make(): Promise<string>
  /** @throws 422 if the workshop has something that an archive would take away */
  refuseUnlessEmpty(): Promise<void>
  /** Brings an archive back into a workshop that has nothing yet. @param file where it lies @throws 422 */
  take(file: string): Promise<ArchiveTaken>
  /** A path beside the database that nothing stands at. */
  freePath(): string
}

async function refuseUnlessEmpty(reader: Reader): Promise<void> {
  const [design] = await reader.select({ id: designs.id }).from(designs).limit(1)
  const [batch] = await reader.select({ id: batches.id }).from(batches).limit(1)
  const told = sentence('archive_not_empty')
  if (design || batch) throw unprocessable(told, [{ field: 'archive', message: told }])
}

export function archiveService({ database, clock, newId }: Context): ArchiveService {
  const freePath = (): string => join(dirname(database.file), `archive-${newId()}${partEnding}`)
  return {
    freePath,
    make: async () => {
      const target = freePath()
      await inThread('archive', { file: database.file, target, madeAt: clock.now().toISOString() })
      return target
    },
    refuseUnlessEmpty: () => refuseUnlessEmpty(database.read),
    take: async (file) => {
      await refuseUnlessEmpty(database.read)
      const scratch = freePath()
      try {
        const read = await inThread('readArchive', { file, scratch })
        if ('refused' in read) throw unprocessable(read.refused, [{ field: 'archive', message: read.refused }])
        await database.replaceBy(scratch, refuseUnlessEmpty)
        return read.taken
      } finally {
        for (const ending of ['', '-wal', '-shm']) rmSync(scratch + ending, { force: true })
      }
    },
  }
}
