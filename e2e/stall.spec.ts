import type { Page } from '@playwright/test'
import { devices, expect, test } from '@playwright/test'
import type { LoafSummary, SeasonView } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import { freeBarsOf } from '@vendange/core/loaf'
import { homeComings } from '@vendange/core/release'
import { answer } from './hands'
import { layoutFaults } from './layout'
import { WorkshopProcess } from './server'

const workshop = new WorkshopProcess()
test.use({ ...devices['Pixel 5'], defaultBrowserType: 'chromium', viewport: { width: 390, height: 844 } })
let soap: LoafSummary
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
  const season = (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
  const [maker] = season.makers
  const free = season.loaves.find((loaf) => loaf.state.status === 'released' && freeBarsOf([loaf]) >= 3)
  if (!maker || !free) throw new Error('Expected a released loaf with bars to give out')
  soap = free
  const api = createClient({ baseUrl: workshop.url, makerId: () => maker.id })
  await api(endpoints.release.allot, {
    body: { designId: soap.designId, bars: 3, channel: 'Stalls', who: 'Market', orderId: null },
  })
})
test.afterAll(() => workshop.dispose())

const soapOn = (page: Page) => page.getByTestId('stall-soap').filter({ hasText: soap.name })
const sell = (page: Page): Promise<void> =>
  soapOn(page)
    .getByRole('button', { name: `Sell a bar of ${soap.name}` })
    .tap()

test('a market day: tapped, paid, undone, sold without a network, and the last bar sold twice is owed', async ({
  page,
  context,
  browser,
}) => {
  await page.goto(`${workshop.url}/release`)
  await page.getByTestId('to-stall').tap()
  await expect(answer(page)).toContainText('to sell')
  const before = await soapOn(page).textContent()
  const left = Number(/(\d+) of \d+ left/.exec(before ?? '')?.[1])
  expect(left).toBeGreaterThanOrEqual(3)

  await sell(page)
  await expect(soapOn(page)).toContainText(`${left - 1} of`)
  await expect(page.getByTestId('basket')).toContainText('€9.50')
  expect(await layoutFaults(page)).toEqual([])
  await page.getByTestId('cash').tap()
  await expect(page.getByTestId('stall-waiting')).toContainText('1 bar sold waits')
  await page.getByTestId('undo-sale').tap()
  await expect(soapOn(page)).toContainText(`${left} of`)
  await expect(page.getByTestId('stall-waiting')).toHaveCount(0)

  // A second screen that is there all along.
  const other = await (await browser.newContext({ serviceWorkers: 'block', locale: 'en-GB', hasTouch: true })).newPage()
  await other.goto(`${workshop.url}/stall`)
  await context.setOffline(true)
  for (let bars = 0; bars < left; bars++) await sell(page)
  await expect(soapOn(page)).toContainText('The last one is in the basket')
  await page.getByTestId('card').tap()
  await expect(page.getByTestId('stall-waiting')).toContainText('not reached', { timeout: 30_000 })

  await sell(other)
  await other.getByTestId('cash').tap()
  await expect(other.getByTestId('stall-waiting')).toContainText('1 bar sold waits')
  await expect(other.getByTestId('stall-waiting')).toHaveCount(0, { timeout: 30_000 })

  await context.setOffline(false)
  await expect(page.getByTestId('owed')).toContainText(soap.name, { timeout: 30_000 })
  await expect(answer(page)).toContainText('1 sale to settle')
  // Nothing waits on the phone any more: the workshop keeps it, and it is settled at the owner's computer.
  await expect(page.getByTestId('stall-waiting')).toHaveCount(0)
  await other.goto(`${workshop.url}/plan`)
  await other.getByTestId('told-owed').getByRole('link').click()
  await expect(other.getByTestId('owed-sale')).toContainText(soap.name)
  await other.getByTestId('settle-money').click()
  await expect(other.getByTestId('owed')).toHaveCount(0)
  await page.reload()
  await expect(answer(page)).not.toContainText('to settle')
  await expect(page.getByTestId('owed')).toHaveCount(0)
  const season = (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
  const stalls = season.loaves
    .filter(({ designId }) => designId === soap.designId)
    .flatMap(({ state }) => state.channels.filter(({ channel }) => channel === 'Stalls'))
  for (const { allotted, sold } of stalls) expect(sold).toBeLessThanOrEqual(allotted)

  await test.step('a sample is given, and what is left comes home', async () => {
    const other = page.getByTestId('stall-soap').filter({ hasText: '1 of' })
    await other
      .first()
      .getByRole('button', { name: /^Sell a bar of/ })
      .tap()
    await page.getByTestId('sample').tap()
    await page.getByTestId('going-home').tap()
    await expect(page.getByTestId('bring-home')).toBeDisabled()
    await expect(page.getByTestId('stall-waiting')).toHaveCount(0, { timeout: 30_000 })
    await page.getByTestId('bring-home').tap()
    await expect(page.getByTestId('home')).toHaveCount(0)
    await expect(answer(page)).toContainText('0 bars to sell')
    const { loaves } = (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
    expect(homeComings(loaves)).toEqual([])
    const view = loaves.flatMap(({ state }) => state.channels.filter(({ channel }) => channel === 'Stalls'))
    for (const { allotted, sold } of view) expect(sold).toBe(allotted)
  })
})
