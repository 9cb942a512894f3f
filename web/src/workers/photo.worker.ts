import { expose } from 'comlink'

/** Makes photographs small enough to keep, off the page's thread. */
export interface PhotoShrinker {
  /** @throws where the file is no picture that this browser can read */
  shrink(file: Blob): Promise<Blob>
}

/** Longer side of a photograph that is kept, px: a bar's face fills a screen with it. */
const longestPx = 2000
const quality = 0.86

const shrinker: PhotoShrinker = {
  shrink: async (file) => {
    // Turned as the phone held it.
    const picture = await createImageBitmap(file, { imageOrientation: 'from-image' })
    const scale = Math.min(1, longestPx / Math.max(picture.width, picture.height))
    const canvas = new OffscreenCanvas(
      Math.max(1, Math.round(picture.width * scale)),
      Math.max(1, Math.round(picture.height * scale)),
    )
    const context = canvas.getContext('2d')
    if (!context) throw new Error('Expected a canvas to draw on')
    context.imageSmoothingQuality = 'high'
    context.drawImage(picture, 0, 0, canvas.width, canvas.height)
    picture.close()
    return canvas.convertToBlob({ type: 'image/jpeg', quality })
  },
}
expose(shrinker)
