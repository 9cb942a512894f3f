import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect } from '@playwright/test'
import { answer } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'
import { mainViewNames, mainViews } from './views'

// Nothing is changed, so that both workers may look at once, each at a workshop of its own.
test.describe.configure({ mode: 'parallel' })

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
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

for (const viewName of mainViewNames) {
  test(`${viewName} has no serious fault of accessibility, nor an error, in paper or at night`, async ({ page }) => {
    const complaints: string[] = []
    page.on('console', (message) => {
      if (message.type() === 'error' || message.type() === 'warning') complaints.push(message.text())
    })
    page.on('pageerror', (error) => complaints.push(error.message))
    const path = (await mainViews(workshop.url))[viewName]
    await page.goto(workshop.url + path)
    await expect(answer(page)).not.toBeEmpty()
    await page.waitForLoadState('networkidle')
    // A sentence that nobody put into words would stand there as it is kept.
    expect(await page.locator('body').innerText()).not.toMatch(/\[object Object\]|"code":/)
    expect(await seriousFaults(page, 'paper'), 'in paper').toEqual([])
    // The bench has no dress but that of the night.
    if (viewName !== 'bench') {
      await page.getByRole('button', { name: 'Light or dark' }).click()
      await expect(page.getByTestId('app')).toHaveClass(/v-theme--night/)
      expect(await seriousFaults(page, 'night'), 'at night').toEqual([])
    }
    expect(complaints).toEqual([])
  })
}
