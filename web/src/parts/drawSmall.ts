/** Draws a picture into a canvas, small enough to reckon with, and gives its pixels. @throws if it is no picture */
export async function drawSmall(picture: Blob, canvas: HTMLCanvasElement, widestPx: number): Promise<ImageData> {
  const read = await createImageBitmap(picture)
  const scale = Math.min(1, widestPx / read.width, widestPx / read.height)
  const context = canvas.getContext('2d', { willReadFrequently: true })
  if (!context) throw new Error('Expected a canvas to draw on')
  canvas.width = Math.max(1, Math.round(read.width * scale))
  canvas.height = Math.max(1, Math.round(read.height * scale))
  context.drawImage(read, 0, 0, canvas.width, canvas.height)
  read.close()
  return context.getImageData(0, 0, canvas.width, canvas.height)
}
