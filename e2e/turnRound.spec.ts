import type { SeasonView } from '@vendange/contract'
import { expect } from '@playwright/test'
import { toBuffer } from 'qrcode'
import { answer, pick } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  // Eight loaves of an order, and others, stand on the racks by then.
  await workshop.start('2027-03-12')
})
test.afterAll(() => workshop.dispose())

const loaves = async () => ((await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView).loaves

test('trays are turned by a press each, and photographs from a camera find their loaves', async ({ page }) => {
  await page.goto(`${workshop.url}/cure`)
  await page.getByTestId('to-turn-round').click()
  const trays = page.getByTestId('round-tray')
  await expect(trays.first()).toBeVisible()
  const all = await trays.count()
  expect(all).toBeGreaterThan(2)
  const firstLot = (await trays.first().innerText()).match(/\d{6}-\d+/)?.[0]
  for (let done = 1; done <= 3; done++) {
    await expect(page.getByTestId('turn-now')).toContainText(`${done} of ${all}`)
    await page.keyboard.press(' ')
    await expect(trays.filter({ hasText: 'done' })).toHaveCount(done)
  }
  await page.getByTestId('undo-turning').click()
  await expect(trays.filter({ hasText: 'done' })).toHaveCount(2)
  await page.getByTestId('later').click()
  await expect(trays.filter({ hasText: 'later' })).toHaveCount(1)
  await expect
    .poll(async () => (await loaves()).filter(({ state }) => state.turnedDays?.includes('2027-03-12')).length, {
      timeout: 30_000,
    })
    .toBeGreaterThan(0)

  // Three pictures: one with the card of its lot in it, one that is called by its lot, and one that tells nothing.
  const curing = (await loaves()).filter(({ state }) => state.status === 'curing')
  const [byCode, byName, byHand] = curing.filter(({ lotCode }) => lotCode !== firstLot)
  const before = new Map((await loaves()).map(({ id, state }) => [id, state.photos.length]))
  const plain = await toBuffer('nothing of ours', { width: 300 })
  await page
    .getByTestId('photos-of-camera')
    .locator('input[type=file]')
    .setInputFiles([
      { name: 'IMG_0001.png', mimeType: 'image/png', buffer: await toBuffer(`lot:${byCode!.lotCode}`, { width: 300 }) },
      { name: `face ${byName!.lotCode}.png`, mimeType: 'image/png', buffer: plain },
      { name: 'IMG_0003.png', mimeType: 'image/png', buffer: plain },
    ])
  await expect(page.getByTestId('photos-kept')).toHaveText('2 photographs kept.')
  await pick(page.getByTestId('photos-of-camera').locator('.v-select'), `${byHand!.name}, ${byHand!.lotCode}`)
  await expect(page.getByTestId('photos-kept')).toHaveText('3 photographs kept.')
  const after = await loaves()
  for (const one of [byCode!, byName!, byHand!])
    expect(after.find(({ id }) => id === one.id)?.state.photos.length).toBe((before.get(one.id) ?? 0) + 1)
  await expect(answer(page)).toContainText('lot')
})
