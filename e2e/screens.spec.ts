import type { Page } from '@playwright/test'
import type { BatchView, SeasonView } from '@vendange/contract'
import { expect, test } from '@playwright/test'
import { answer, doStep, doStepsUntil, pick } from './hands'
import { layoutFaults } from './layout'
import { OtherHost } from './networks'
import { WorkshopProcess } from './server'

test.describe.configure({ mode: 'serial' })

/** So long the tablet is in the cellar, ms: `VENDANGE_AWAY_MIN=10` keeps it there for ten minutes. */
const awayMs = Number(process.env['VENDANGE_AWAY_MIN'] ?? 0) * 60_000

const workshop = new WorkshopProcess()
let tablet: OtherHost
let stranger: OtherHost
test.beforeAll(async () => {
  tablet = new OtherHost(0)
  stranger = new OtherHost(1)
  workshop.seedDemo()
  await workshop.start('2027-03-10', { VENDANGE_LAN_HOST: tablet.hereAddress })
})
test.afterAll(async () => {
  await workshop.dispose()
  await tablet.dispose()
  await stranger.dispose()
})

/** A page on another host; that it trusts the workshop's authority is told elsewhere. */
async function pageOn(host: OtherHost, width: number, height: number): Promise<Page> {
  const browser = await host.openBrowser()
  const context = await browser.newContext({
    ignoreHTTPSErrors: true,
    viewport: { width, height },
    hasTouch: true,
    serviceWorkers: 'allow',
    reducedMotion: 'reduce',
    locale: 'en-GB',
  })
  return context.newPage()
}

test('a tablet is let in by its code, signs in, pours without a network for a while, and is put out; a stranger gets nothing', async ({
  page,
}) => {
  test.setTimeout(240_000 + awayMs)
  await page.goto(`${workshop.url}/workshop`)
  const screens = page.getByTestId('screens')
  await screens.getByLabel('PIN of Ilse').fill('4815')
  await screens.getByRole('button', { name: 'Set' }).first().click()
  await expect(page.getByText('Ilse signs in with this PIN from now on.')).toBeVisible()
  await screens.getByLabel('Open to the local network').check()
  await screens.getByTestId('screen-name').locator('input').fill('Tablet at the bench')
  await pick(screens.getByTestId('screen-role'), 'bench, cut and weigh')
  await screens.getByTestId('invite').click()
  const link = (await screens.getByTestId('invitation-link').textContent()) ?? ''
  const { hostname, pathname, hash, origin: address } = new URL(link)
  expect([hostname, pathname]).toEqual([tablet.hereAddress, '/pair'])
  expect(hash).toMatch(/^#[A-Z2-7]{16}$/)

  const far = await pageOn(tablet, 820, 1180)
  await far.goto(link)
  await expect(far.getByRole('heading', { name: 'Who is at work?' })).toBeVisible()
  // Good once, and not left in the address line.
  expect(far.url()).toBe(`${address}/pair`)
  expect(await layoutFaults(far)).toEqual([])
  await far.getByTestId('pin').locator('input').fill('1234')
  await far.getByTestId('sign-in').click()
  await expect(far.getByRole('alert')).toHaveText('This is not the PIN.')
  await far.getByTestId('pin').locator('input').fill('4815')
  await far.getByTestId('sign-in').click()
  await expect(answer(far)).toContainText('Signal Lamps')

  // Only where a helper has work is shown.
  await expect(far.getByRole('navigation', { name: 'Stages of the work' }).getByRole('link')).toHaveText([
    'Pour',
    'Cut',
    'Cure',
    'Notebook',
  ])
  await far.getByRole('link', { name: 'To the bench: Signal Lamps' }).click()
  await doStep(far)
  // The shell is on the tablet once its worker has taken the page over.
  await far.waitForFunction(() => navigator.serviceWorker.controller !== null, undefined, { timeout: 60_000 })
  await far.reload()
  await expect(answer(far)).toContainText('Olive oil')
  tablet.disconnect()
  await far.waitForTimeout(awayMs)
  await far.getByTestId('reading').locator('input').fill('709')
  await far.getByTestId('done').click()
  await expect(far.getByTestId('step-kept')).toHaveCount(1, { timeout: 60_000 })
  // Read anew in the cellar: the shell, the batch and the step that waits are all on the tablet.
  await far.reload()
  await expect(answer(far)).toContainText('Coconut oil', { timeout: 60_000 })
  await expect(far.getByTestId('step-kept')).toHaveCount(1)
  await far.getByTestId('reading').locator('input').fill('456')
  await far.getByTestId('done').click()
  await expect(far.getByTestId('step-kept')).toHaveCount(2)
  tablet.connect()
  await expect(far.getByTestId('step-kept')).toHaveCount(0, { timeout: 60_000 })
  const seen = async <T>(path: string): Promise<T> => (await (await page.request.get(workshop.url + path)).json()) as T
  const batch = (await seen<SeasonView>('/api/season')).batches.find(({ name }) => name === 'Signal Lamps')
  const path = `/api/batches/${batch?.id ?? ''}`
  expect((await seen<BatchView>(path)).records.map(({ actual }) => actual)).toEqual([null, 709, 456])
  await doStepsUntil(far, 'Every step is done.')
  await far.getByTestId('finish').click()
  await expect(answer(far)).not.toBeEmpty()
  // All of it came home, each step once.
  await expect.poll(async () => (await seen<BatchView>(path)).batch.status).toBe('poured')
  const keys = (await seen<BatchView>(path)).records.map(({ stepKey }) => stepKey)
  expect(new Set(keys).size).toBe(keys.length)
  expect(keys.length).toBeGreaterThan(15)

  // What a helper may not do is refused, whatever page it comes from.
  const refused = await far.evaluate(async () => (await fetch('/api/backups')).status)
  expect(refused).toBe(403)

  const other = await pageOn(stranger, 390, 844)
  await other.goto(`${address}/release`)
  expect(other.url()).toBe(`${address}/pair`)
  await expect(other.getByRole('heading', { name: 'This screen is not let in yet.' })).toBeVisible()
  expect(await layoutFaults(other)).toEqual([])
  expect(await other.evaluate(async () => (await fetch('/api/season')).status)).toBe(401)
  await other
    .getByTestId('code')
    .locator('input')
    .fill(link.split('#')[1] ?? '')
  await other.getByTestId('pair').click()
  await expect(other.getByRole('alert')).toContainText('This code was used already')

  await page.reload()
  await expect(page.getByTestId('screen')).toContainText('Tablet at the bench')
  await page.getByTestId('show-deeds').click()
  await expect(page.getByTestId('deeds')).toContainText('Signed in, Ilse, Tablet at the bench')
  await page.getByTestId('screen').getByRole('button', { name: 'Put out' }).click()
  await expect(page.getByTestId('screen')).toHaveCount(0)
  // It is out at the next thing that it asks.
  await far.reload()
  await expect(far.getByRole('heading', { name: 'This screen is not let in yet.' })).toBeVisible()
})
