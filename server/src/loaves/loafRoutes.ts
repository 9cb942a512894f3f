import { endpoints } from '@vendange/contract'
import type { Router } from 'express'
import { raw } from 'express'
import type { Read } from '../parts/reading'
import { serve, serveFile, serveReading } from '../parts/serve'
import type { LoafService } from './loafService'
import type { PhotoService } from './photoService'
import { largestPhotoBytes } from './photoService'

/** A picture is looked at and never run, whatever is hidden in it. */
const pictureHeaders = {
  'Cache-Control': 'private, max-age=31536000, immutable',
  'Content-Security-Policy': "default-src 'none'; sandbox",
}

export function loafRoutes(router: Router, loaves: LoafService, photos: PhotoService, read: Read): void {
  serveReading(router, endpoints.loaves.list, () => read('newestLoaves'))
  serveReading(router, endpoints.loaves.table, ({ body }) => read('loafTable', body))
  serveReading(router, endpoints.loaves.happened, ({ body }) => read('recordTable', body))
  serveReading(router, endpoints.loaves.seen, () => read('seenBars'))
  serveReading(router, endpoints.loaves.ofDesign, ({ params }) => read('loavesOfDesign', params.id))
  serve(router, endpoints.loaves.view, ({ params }) => loaves.view(params.id))
  serve(router, endpoints.loaves.record, ({ params, body, makerId }) => loaves.record(params.id, body, makerId()))

  router.use(endpoints.loaves.addPhoto.path, raw({ type: () => true, limit: largestPhotoBytes }))
  serve(router, endpoints.loaves.addPhoto, ({ request, makerId }) =>
    photos.keep(Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0), makerId()),
  )
  serveFile(router, endpoints.loaves.photo, async ({ params }) => {
    const { mimeType, bytes } = await photos.read(params.id)
    return { type: mimeType, content: bytes, headers: pictureHeaders }
  })
}
