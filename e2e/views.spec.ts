import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect } from '@playwright/test'
import type { SavedWorkshop, SeasonView } from '@vendange/contract'
import { gramsPerOunce } from '@vendange/core/units'
import { answer } from './hands'
import { layoutFaults, screens, smallTargets } from './layout'
import { WorkshopProcess } from './server'
import { test } from './tablet'
import { mainViewNames, mainViews } from './views'

// Nothing is changed, so that both workers may look at once, each at a workshop of its own.
test.describe.configure({ mode: 'parallel' })

const workshop = new WorkshopProcess()
// All is looked at as a workshop of ounces, inches and dollars sees it: the journeys go through one of grams.
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
  const { workshop: details } = (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
  const ounces: SavedWorkshop = {
    ...details,
    massUnit: 'oz',
    lengthUnit: 'in',
    temperatureUnit: '°F',
    currency: 'USD',
    labelStyle: 'us',
    scaleResolutionG: 0.05 * gramsPerOunce,
  }
  const headers = { 'content-type': 'application/json' }
  const put = await fetch(`${workshop.url}/api/workshop`, { method: 'PUT', headers, body: JSON.stringify(ounces) })
  expect(put.status).toBe(200)
})
test.afterAll(() => workshop.dispose())

/** Of a view's two dresses all is looked at in the first, and in the second what its colours alone decide. */
async function seriousFaults(page: Page, theme: 'paper' | 'night'): Promise<readonly string[]> {
  // There are no frames of others in a page: its own thread looks at it whole, which takes a quarter of the time.
  const builder = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'], preload: false })
  const { violations } = await (theme === 'night' ? builder.withRules(['color-contrast']) : builder).analyze()
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .flatMap(({ id, nodes }) =>
      nodes.map(({ target, failureSummary }) => `${id} at ${target.join(' ')}: ${failureSummary ?? ''}`),
    )
}

const metric = /(?<![\w.])[\d.,]+ ?(g|kg|mm|cm|ml|g\/ml|g\/kg|°C)(?![\w/])|€|\b(kilos?|litres?|millimetres?)\b/g

/** Metric figures among all that stands on a page: its words, and what its fields hold. A label is told in both, by law. */
async function metricOn(page: Page): Promise<readonly string[]> {
  const words = await page.locator('body').innerText()
  const fields = await page
    .locator('input:not([type=hidden]), textarea')
    .evaluateAll((all) => all.map((field) => (field as HTMLInputElement).value))
  return [...words.split('\n'), ...fields].flatMap((line) =>
    /^NET WT /.test(line) ? [] : [...line.matchAll(metric)].map(([figure]) => `${figure} in “${line.slice(0, 90)}”`),
  )
}

/** Worked standing, with wet gloves. */
const worked: ReadonlySet<string> = new Set([
  'bench',
  'cut',
  'cut-loaf',
  'cut-round',
  'turn-round',
  'cure',
  'cure-loaf',
  'release-loaf',
  'stall',
])
/** `npm run sizes` looks for faults of accessibility on every screen in both dresses; here on the desk alone. */
const isWhole = process.env['VENDANGE_ALL_SIZES'] === '1'

async function lookOn(page: Page, viewName: string, dress: 'paper' | 'night'): Promise<void> {
  for (const { name, width, height } of screens) {
    await page.setViewportSize({ width, height })
    // The page takes its new shape in a frame, and what hangs on that in the next ones.
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 60))))
    expect(await layoutFaults(page), `cut off on ${name}`).toEqual([])
    if (width < 1200) expect(await smallTargets(page, 44), `too small for a finger on ${name}`).toEqual([])
    if (width < 1200 && worked.has(viewName))
      expect(await smallTargets(page, 56, 'main'), `too small for wet gloves on ${name}`).toEqual([])
    if (isWhole) expect(await seriousFaults(page, 'paper'), `${dress} on ${name}`).toEqual([])
  }
}

for (const viewName of mainViewNames) {
  test(`${viewName} has no serious fault of accessibility, no metric figure, nor an error, in paper or at night, and nothing cut off on any screen`, async ({
    page,
  }) => {
    const complaints: string[] = []
    page.on('console', (message) => {
      const isOfTheTest = message.text() === 'Service Worker registration blocked by Playwright'
      if ((message.type() === 'error' || message.type() === 'warning') && !isOfTheTest) complaints.push(message.text())
    })
    page.on('pageerror', (error) => complaints.push(error.message))
    const path = (await mainViews(workshop.url))[viewName]
    await page.goto(workshop.url + path)
    await expect(answer(page)).not.toBeEmpty()
    await page.waitForLoadState('networkidle')
    // A sentence that nobody put into words would stand there as it is kept.
    expect(await page.locator('body').innerText()).not.toMatch(/\[object Object\]|"code":/)
    expect(await metricOn(page)).toEqual([])
    expect(await seriousFaults(page, 'paper'), 'in paper').toEqual([])
    // The bench has no dress but that of the night.
    if (viewName !== 'bench') {
      await page.getByRole('button', { name: 'Light or dark' }).click()
      await expect(page.getByTestId('app')).toHaveClass(/v-theme--night/)
      expect(await seriousFaults(page, 'night'), 'at night').toEqual([])
    }
    await lookOn(page, viewName, 'night')
    if (isWhole && viewName !== 'bench') {
      await page.evaluate(() => localStorage.setItem('vendange.theme', 'paper'))
      await page.reload()
      await page.waitForLoadState('networkidle')
      await lookOn(page, viewName, 'paper')
    }
    expect(complaints).toEqual([])
  })
}
