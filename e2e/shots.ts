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

/** Some of the views as they stand on screens that are carried, side by side. */
const carried = [
  { name: 'plan', width: 390, height: 844 },
  { name: 'day', width: 390, height: 844 },
  { name: 'order', width: 390, height: 844 },
  { name: 'ask', width: 390, height: 844 },
  { name: 'stall', width: 390, height: 844 },
  { name: 'bench', width: 390, height: 844 },
  { name: 'plan', width: 820, height: 1180 },
  { name: 'bench', width: 820, height: 1180 },
] as const

test('phones and tablets in one picture', async ({ page }) => {
  const paths = await mainViews(workshop.url)
  const pictures: string[] = []
  for (const { name, width, height } of carried) {
    await page.setViewportSize({ width, height })
    await page.goto(workshop.url + paths[name])
    await expect(answer(page)).not.toBeEmpty()
    await page.waitForLoadState('networkidle')
    await expect(page.locator('span.face')).toHaveCount(0)
    if (name === 'stall')
      for (const at of [1, 2])
        await page
          .getByRole('button', { name: /^Sell a bar/ })
          .nth(at)
          .click()
    pictures.push((await page.screenshot()).toString('base64'))
  }
  await page.setViewportSize({ width: 2100, height: 700 })
  const images = pictures.map((picture) => `<img height="640" src="data:image/png;base64,${picture}">`).join('')
  await page.goto('about:blank')
  await page.setContent(
    `<body style="margin:0"><div style="display:flex;gap:24px;width:max-content;padding:24px;background:#eee7dc">${images}</div></body>`,
  )
  await expect
    .poll(() => page.locator('img').evaluateAll((all) => all.every((one) => (one as HTMLImageElement).complete)))
    .toBe(true)
  await page.locator('div').screenshot({ path: `${folder}carried.png` })
})
