import type { LoafView, SavedMaker } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import { expect } from '@playwright/test'
import { type } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

/** Marks a JPEG as turned by a quarter, as a phone held upright does (Exif 2.3, orientation 6). */
function turned(jpeg: Buffer): Buffer {
  const tiff = Buffer.from('4d4d002a00000008000101120003000000010006000000000000', 'hex')
  const exif = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff])
  const marker = Buffer.from([0xff, 0xe1, 0, 0])
  marker.writeUInt16BE(exif.length + 2, 2)
  return Buffer.concat([jpeg.subarray(0, 2), marker, exif, jpeg.subarray(2)])
}

test('a photograph of 48 megapixels off a phone is made small, and stands upright', async ({ page }) => {
  test.setTimeout(180_000)
  await page.goto(`${workshop.url}/cut`)
  const taken = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(8000, 6000)
    const context = canvas.getContext('2d')
    if (!context) throw new Error('Expected a canvas')
    context.fillStyle = '#D99A3C'
    context.fillRect(0, 0, 8000, 6000)
    context.fillStyle = '#5B1F2B'
    context.fillRect(0, 0, 8000, 3000)
    const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.8 })).arrayBuffer())
    let text = ''
    for (let at = 0; at < bytes.length; at += 8192) text += String.fromCharCode(...bytes.subarray(at, at + 8192))
    return btoa(text)
  })
  await page.getByTestId('unmould').click()
  await type(page, 'Bars got', '18')
  await type(page, 'Mass of the first bar', '128 g')
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'face.jpg', mimeType: 'image/jpeg', buffer: turned(Buffer.from(taken, 'base64')) })
  await page.getByTestId('log-cut').click()
  await expect(page.getByRole('row', { name: /Dining Car.*18 18/ })).toBeVisible({ timeout: 60_000 })
  const loaves = (await (await fetch(`${workshop.url}/api/loaves`)).json()) as LoafView['loaf'][]
  const photoId = loaves.find(({ name }) => name === 'Dining Car')?.state.photos[0]?.photoId ?? ''
  const kept = Buffer.from(await (await fetch(`${workshop.url}/api/photos/${photoId}`)).arrayBuffer())
  expect(kept.length).toBeLessThan(2_000_000)
  const seen = await page.evaluate(async (address) => {
    const picture = await createImageBitmap(await (await fetch(address)).blob())
    const canvas = new OffscreenCanvas(picture.width, picture.height)
    const context = canvas.getContext('2d')
    context?.drawImage(picture, 0, 0)
    const redAt = (x: number) => context?.getImageData(Math.round(picture.width * x), 100, 1, 1).data[0] ?? 0
    return { width: picture.width, height: picture.height, left: redAt(0.1), right: redAt(0.9) }
  }, `/api/photos/${photoId}`)
  // A quarter turn clockwise: what was the upper half is at the right.
  expect(seen).toMatchObject({ width: 1500, height: 2000 })
  expect(seen.right).toBeLessThan(0x80)
  expect(seen.left).toBeGreaterThan(0xb0)

  await test.step('the scent’s page measures how the colours moved from one photograph to the next', async () => {
    const [maker] = (await (await fetch(`${workshop.url}/api/season`)).json()).makers as SavedMaker[]
    const api = createClient({ baseUrl: workshop.url, makerId: () => maker?.id })
    const earlier = await page.evaluate(async () => {
      const canvas = new OffscreenCanvas(300, 400)
      const context = canvas.getContext('2d')
      if (!context) throw new Error('Expected a canvas')
      context.fillStyle = '#F0C878'
      context.fillRect(0, 0, 300, 400)
      context.fillStyle = '#7B3F4B'
      context.fillRect(150, 0, 150, 400)
      return [...new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer())]
    })
    const rawBody = new Blob([Buffer.from(earlier)], { type: 'image/png' })
    const { photoId: before } = await api(endpoints.loaves.addPhoto, { rawBody })
    const loaf = loaves.find(({ name }) => name === 'Dining Car')
    const now = await api(endpoints.loaves.view, { params: { id: loaf?.id ?? '' } })
    await api(endpoints.loaves.record, {
      params: { id: loaf?.id ?? '' },
      body: {
        type: 'photographed',
        day: loaf?.state.pouredDay ?? '',
        photoId: before,
        version: now.loaf.version,
      },
    })
    await page.goto(`${workshop.url}/notebook/scents`)
    await expect(page.getByTestId('drift').first()).toHaveText(
      /Dining Car moved by ΔE \d+\.\d, darker by \d+ L\* in \d+ days, by its photographs \(estimate/,
    )
  })
})
