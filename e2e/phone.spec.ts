import type { Page } from '@playwright/test'
import { devices, expect, test } from '@playwright/test'
import type { SeasonView } from '@vendange/contract'
import { answer, type } from './hands'
import { layoutFaults } from './layout'
import { WorkshopProcess } from './server'

const workshop = new WorkshopProcess()
test.use({ ...devices['Pixel 5'], defaultBrowserType: 'chromium', viewport: { width: 390, height: 844 } })
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

/** Rests a finger on a soap, takes it over another day and lets go there, or ends the hold before that. */
async function takeTo(page: Page, name: string, day: string, letGo = true): Promise<void> {
  const board = page.getByTestId('board-by-day')
  const soap = board.getByRole('button', { name })
  await expect(soap).toBeVisible()
  // Far from the edges, where the page would go on by itself.
  await soap.evaluate((element) => element.scrollIntoView({ block: 'center' }))
  const from = await soap.boundingBox()
  const to = await board.locator(`[data-board-day="${day}"]`).boundingBox()
  if (!from || !to) throw new Error(`Expected ${name} and ${day} in sight`)
  const finger = await page.context().newCDPSession(page)
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x: number, y: number): Promise<unknown> =>
    finger.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] })
  const [x, y] = [from.x + from.width / 2, from.y + from.height / 2]
  await touch('touchStart', x, y)
  // As long as a finger rests before it takes something up.
  await expect(soap).toHaveClass(/lifted/)
  await touch('touchMove', x, (y + to.y + to.height / 2) / 2)
  await touch('touchMove', x, to.y + to.height / 2)
  await expect(page.getByTestId('trial')).toContainText(name)
  if (letGo) await touch('touchEnd', 0, 0)
}

test('on a phone the stages stand under the thumb, the days are swiped, and the rest is in one sheet', async ({
  page,
}) => {
  await page.goto(`${workshop.url}/plan`)
  const stages = page.getByRole('navigation', { name: 'Stages of the work' })
  await expect(stages.getByRole('link', { name: 'Cure' })).toBeVisible()
  await stages.getByRole('link', { name: 'Cure' }).tap()
  await expect(answer(page)).toContainText('Nothing to weigh today')
  // Today is in sight without a swipe, and a tap on a day opens it.
  await page
    .getByRole('navigation', { name: 'The coming weeks, day by day' })
    .getByRole('button', { name: /Wed 10 Mar/ })
    .tap()
  await expect(answer(page)).toContainText('Wed 10 Mar')
  await stages.getByRole('button', { name: 'More' }).tap()
  await page.getByTestId('more-sheet').getByRole('link', { name: 'Stores' }).tap()
  await expect(page).toHaveURL(/\/stores$/)
  // Each figure of a table says what it is.
  const amount = page.getByTestId('shortages').locator('td[data-label="Missing"]').first()
  await expect(amount).toBeVisible()
})

test('on a phone a soap is taken to another day by resting a finger on it, with the same verdict as on the wall', async ({
  page,
}) => {
  await page.goto(`${workshop.url}/plan`)
  await takeTo(page, 'Lantern Glass', '2027-03-12')
  await expect(page.getByText(/Lantern Glass.*12 Mar/).first()).toBeVisible()
  await expect
    .poll(async () => {
      const season = (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
      return season.batches.find(({ name, status }) => name === 'Lantern Glass' && status === 'planned')?.days.pourDay
    })
    .toBe('2027-03-12')
})

test('on a phone a swipe over the board scrolls it, and takes nothing up', async ({ page }) => {
  await page.goto(`${workshop.url}/plan`)
  const soap = page.getByTestId('board-by-day').getByRole('button', { name: 'Signal Lamps' })
  await soap.scrollIntoViewIfNeeded()
  const box = await soap.boundingBox()
  if (!box) throw new Error('Expected the soap in sight')
  const before = await page.evaluate(() => window.scrollY)
  const finger = await page.context().newCDPSession(page)
  await finger.send('Input.synthesizeScrollGesture', { x: box.x + 20, y: box.y + 10, yDistance: -220, speed: 1600 })
  expect(await page.evaluate(() => window.scrollY)).toBeGreaterThan(before + 100)
  await expect(page.getByTestId('trial')).toHaveCount(0)
})

test('on a phone a client’s question is answered in four fields, and kept as an order by one tap', async ({ page }) => {
  await page.goto(`${workshop.url}/plan`)
  await page.getByTestId('client-asks').tap()
  await expect(answer(page)).toContainText(/^Yes: €[\d.]+, 48 bars ready on/)
  await type(page, 'Bars', '36')
  await type(page, 'Wanted by', '20 Mar')
  await type(page, 'Mass of a bar', '95')
  // A pour and a cure take longer than twelve days.
  const notBy = /36 bars ready on .+: not by Sat 20 Mar\.$/
  await expect(answer(page)).toContainText(notBy)
  const priceNow = async (): Promise<string> => /€[\d.]+/.exec((await answer(page).textContent()) ?? '')?.[0] ?? ''
  // It is asked anew once the hand rests: what stands there is of all that was typed.
  const restMs = 500
  await page.waitForTimeout(restMs)
  const asCut = await priceNow()
  await page.getByRole('button', { name: 'Bevelled and stamped' }).tap()
  await page.waitForTimeout(restMs)
  await expect(answer(page)).not.toContainText(asCut)
  await expect(answer(page)).toContainText(notBy)
  const price = await priceNow()
  await expect(page.getByTestId('way').first()).toContainText(price)
  await expect(page.getByTestId('ask')).toContainText('A new stamp is there in 21 days (estimate).')
  expect(await layoutFaults(page)).toEqual([])
  await page.getByTestId('keep-order').tap()
  // The page that asks shows that price too: it is the order that is waited for.
  await expect(page).toHaveURL(/\/orders\//)
  // The order page reckons the same.
  await expect(answer(page)).toContainText(price)
  const { orders } = (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
  const kept = orders.find(({ bars }) => bars === 36)
  expect([kept?.dueDay, kept?.labelMassG, kept?.bevelled, kept?.stampLeadDays]).toEqual(['2027-03-20', 95, true, 21])
})
