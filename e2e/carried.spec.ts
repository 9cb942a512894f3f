import { devices, expect, test } from '@playwright/test'
import type { LoafSummary, LoafView, NewLoafEvent, SeasonView } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import { codeOfLot, codeOfRack } from '@vendange/core/cure'
import { filmOfCards } from './film'
import { answer, type } from './hands'
import { layoutFaults } from './layout'
import { launch } from './playwright.config'
import { WorkshopProcess } from './server'

/** A phone in the cure room: a loaf's tray and a rack are scanned, bars weighed and a loaf cut while the network is gone. */
const workshop = new WorkshopProcess()
const scanned = { lot: '', rack: '' }
let loaf: LoafSummary
const season = async (): Promise<SeasonView> => (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
const view = async (id: string): Promise<LoafView> =>
  (await (await fetch(`${workshop.url}/api/loaves/${id}`)).json()) as LoafView

test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
  const { loaves, workshop: settings } = await season()
  const curing = loaves.find(({ state }) => state.status === 'curing')
  const [rack] = settings.racks
  if (!curing || !rack) throw new Error('Expected a loaf that cures, and a rack')
  loaf = curing
  Object.assign(scanned, { lot: curing.lotCode, rack: rack.name })
})
test.afterAll(() => workshop.dispose())
test.use({ ...devices['Pixel 5'], defaultBrowserType: 'chromium', viewport: { width: 390, height: 844 } })

test('a tray and its rack are scanned by the camera, and the loaf stands there', async ({ playwright }) => {
  const film = filmOfCards([codeOfLot(scanned.lot), codeOfRack(scanned.rack)])
  const fake = ['--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream']
  const browser = await playwright.chromium.launch({
    ...launch,
    args: [...launch.args, ...fake, `--use-file-for-fake-video-capture=${film}`],
  })
  const { defaultBrowserType: _, ...phone } = devices['Pixel 5']!
  const page = await (await browser.newContext({ ...phone, locale: 'en-GB', serviceWorkers: 'block' })).newPage()
  await page.goto(`${workshop.url}/cure`)
  await page.getByTestId('racks').getByTestId('camera').tap()
  await expect(page.getByText(`${loaf.name} stands on ${scanned.rack}.`)).toBeVisible({ timeout: 60_000 })
  await page.getByTestId('racks').getByTestId('camera').tap()
  await expect(page.getByTestId('camera-picture')).toHaveCount(0)
  expect((await view(loaf.id)).loaf.state.place).toBe(scanned.rack)
  await browser.close()
})

test('a bar is weighed and a loaf cut without the network; each comes home once, and what clashes is settled', async ({
  browser,
}) => {
  const { defaultBrowserType: _, ...phone } = devices['Pixel 5']!
  const context = await browser.newContext({ ...phone, locale: 'en-GB', serviceWorkers: 'allow' })
  const page = await context.newPage()
  const before = await view(loaf.id)
  const firm = (await season()).loaves.find(({ state }) => state.status === 'in_mould')
  if (!firm) throw new Error('Expected a loaf in its mould')

  await page.goto(`${workshop.url}/cut`)
  await page.evaluate(async () => void (await navigator.serviceWorker.ready))
  await page.goto(`${workshop.url}/cure/${loaf.id}`)
  await expect(page.getByTestId('weigh')).toBeVisible()
  await page.goto(`${workshop.url}/cut`)
  await context.setOffline(true)

  await test.step('a loaf comes out of its mould and is cut', async () => {
    const card = page.getByTestId('cut-card').filter({ hasText: firm.lotCode })
    await card.getByTestId('unmould').tap()
    await type(page, 'Mass of the first bar', '118 g', card)
    await card.getByTestId('log-cut').tap()
    await expect(card).toHaveCount(0)
  })
  await test.step('the marked bar of another is weighed, over a reload', async () => {
    await page.goto(`${workshop.url}/cure/${loaf.id}`)
    const heavier = (before.loaf.state.weighIns.at(-1)?.massG ?? 0) + 5
    await type(page, 'The bar weighs', `${heavier} g`)
    await page.getByTestId('weigh').tap()
    // What is odd is asked for again here too.
    await page.getByLabel('I am sure').tap()
    await page.getByTestId('weigh').tap()
    await expect(page.getByTestId('waits-here')).toContainText('3 things wait on this device')
    await page.reload()
    await expect(page.getByTestId('waits-here')).toContainText('3 things wait on this device')
    await expect(page.getByText(`${heavier}`).first()).toBeVisible()
  })

  // Meanwhile somebody at the computer writes into the same loaf's record.
  const [maker] = (await season()).makers
  const api = createClient({ baseUrl: workshop.url, makerId: () => maker?.id })
  const { version } = (await view(loaf.id)).loaf
  const note = { type: 'noted', day: '2027-03-08', text: 'A little ash', version } as NewLoafEvent
  await api(endpoints.loaves.record, { params: { id: loaf.id }, body: note })

  await test.step('one page tells what waits', async () => {
    await page.getByTestId('waits-here').getByRole('link').tap()
    await expect(answer(page)).toContainText('3 things wait on this computer')
    await expect(page.getByTestId('waits')).toHaveCount(3)
    await expect(page.getByTestId('waits').nth(1)).toContainText('The first bar weighs 118 g')
    expect(await layoutFaults(page)).toEqual([])
  })

  await context.setOffline(false)
  await expect(page.getByTestId('to-settle')).toContainText('A little ash', { timeout: 30_000 })
  await expect(page.getByTestId('to-settle')).toContainText('The marked bar weighs')
  await expect(page.getByTestId('waits')).toHaveCount(0)
  expect((await view(firm.id)).loaf.state.cut?.firstBarG).toBe(118)
  expect(await layoutFaults(page)).toEqual([])

  await page.getByRole('button', { name: 'Record mine as well' }).tap()
  await expect(answer(page)).toContainText('Nothing waits on this computer')
  const after = await view(loaf.id)
  expect(after.events.slice(before.events.length).map(({ event }) => event.type)).toEqual(['noted', 'weighed'])
  expect(after.loaf.state.weighIns.at(-1)?.massG).toBe((before.loaf.state.weighIns.at(-1)?.massG ?? 0) + 5)
  await context.close()
})
