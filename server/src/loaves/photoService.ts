import { sentence } from '@vendange/core/findings'
import { eq } from 'drizzle-orm'
import { knownMaker } from '../db/makerRow'
import { photos } from '../db/schema'
import type { Context } from '../parts/context'
import { isWholePicture, pictureType } from '../parts/pictures'
import { notFound, unprocessable } from '../parts/problems'

/** Largest photograph that is kept, bytes. */
export const largestPhotoBytes = 12 * 1024 * 1024

export interface PhotoService {
  keep(bytes: Buffer, makerId: string): Promise<{ photoId: string }>
  read(id: string): Promise<{ readonly mimeType: string; readonly bytes: Buffer }>
}

export function photoService({ database, clock, newId }: Context): PhotoService {
  return {
    keep: (bytes, makerId) =>
      database.write(async (transaction) => {
        const mimeType = pictureType(bytes)
        if (!mimeType)
          throw unprocessable(sentence('no_photograph'), [{ field: 'photo', message: sentence('choose_picture') }])
        if (!isWholePicture(bytes, mimeType))
          throw unprocessable(sentence('photograph_cut_off'), [{ field: 'photo', message: sentence('send_again') }])
        const photoId = newId()
        await transaction.insert(photos).values({
          id: photoId,
          mimeType,
          bytes,
          at: clock.now().toISOString(),
          makerId: await knownMaker(transaction, makerId),
        })
        return { photoId }
      }),
    read: async (id) => {
      const [photo] = await database.read.select().from(photos).where(eq(photos.id, id))
      if (!photo) throw notFound(sentence('no_such', { thing: 'photograph' }))
      return photo
    },
  }
}
