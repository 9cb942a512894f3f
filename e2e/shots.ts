import type { SeasonView } from '@vendange/contract'
import { expect, test } from '@playwright/test'
import { fileURLToPath } from 'node:url'
import { answer, doStepsUntil } from './hands'
import { WorkshopProcess } from './server'
import { mainViewNames, mainViews, viewsWithoutPicture } from './views'

const folder = fileURLToPath(new URL('../docs/screenshots/', import.meta.url))
const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

test('a picture of every main view', async ({ page }) => {
  const paths = await mainViews(workshop.url)
  for (const name of mainViewNames) {
    if (viewsWithoutPicture.has(name)) continue
    await page.goto(workshop.url + paths[name])
    await expect(answer(page)).not.toBeEmpty()
    if (name === 'bench') {
      await doStepsUntil(page, 'Shea butter, into the fats')
      await page.getByTestId('reading').locator('input').fill('255')
    }
    await page.waitForLoadState('networkidle')
    // Faces are simulated one after the other.
    await expect(page.locator('span.face')).toHaveCount(0)
    await expect(page.locator('img[src^="data:image/svg"]')).toHaveCount(0)
    // Days that an order could be promised for are looked for one after the other.
    await expect(page.getByTestId('option').filter({ hasText: '…' })).toHaveCount(0)
    await page.screenshot({ path: `${folder}${name}.png` })
  }
})

test('the techniques side by side', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 900 })
  // Four colours in a mould about as wide as it is deep.
  const season = (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
  const soap = season.designs.find(({ name }) => name === 'Dawn Arrival')
  await page.goto(`${workshop.url}/soaps/${soap?.id ?? ''}/inside`)
  await page.getByTestId('open-starters').click()
  const shelf = page.getByTestId('starters')
  await expect(shelf.locator('img')).toHaveCount(11, { timeout: 60_000 })
  await shelf.screenshot({ path: `${folder}techniques.png` })
})
