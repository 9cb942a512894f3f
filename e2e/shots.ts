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
    await page.screenshot({ path: `${folder}${name}.png` })
  }
})
