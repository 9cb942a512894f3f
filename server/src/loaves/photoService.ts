import { sentence } from '@vendange/core/findings'
import { eq } from 'drizzle-orm'
import { knownMaker } from '../db/makerRow'
import { photos } from '../db/schema'
import type { Context } from '../parts/context'
import { notFound, unprocessable } from '../parts/problems'

/** Largest photograph that is kept, bytes. */
export const largestPhotoBytes = 12 * 1024 * 1024

export interface PhotoService {
  keep(bytes: Buffer, makerId: string): Promise<{ photoId: string }>
  read(id: string): Promise<{ readonly mimeType: string; readonly bytes: Buffer }>
}

/** The picture format by its first bytes, whatever its name says; undefined when it is none we keep. */
export function pictureType(bytes: Buffer): string | undefined {
  if (bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return 'image/jpeg'
  if (bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]))) return 'image/png'
  if (bytes.subarray(0, 4).toString('latin1') === 'RIFF' && bytes.subarray(8, 12).toString('latin1') === 'WEBP')
    return 'image/webp'
  return undefined
}

/** The mark that ends a JPEG stands within so many bytes of its end; some cameras write a little after it. */
const jpegTailBytes = 4096

/** Whether all of a picture is there: what was cut off on its way lacks its end. */
export function isWholePicture(bytes: Buffer, mimeType: string): boolean {
  if (mimeType === 'image/jpeg') return bytes.subarray(-jpegTailBytes).includes(Buffer.from([0xff, 0xd9]))
  if (mimeType === 'image/png') return bytes.subarray(-12, -4).toString('latin1') === '\0\0\0\0IEND'
  // The length in the head of a WebP picture counts what follows its first eight bytes.
  return bytes.length >= 12 && bytes.readUInt32LE(4) + 8 <= bytes.length
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
