import { chromium } from '@playwright/test'
import type { SeasonView } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import { WorkshopProcess } from '../e2e/server'
import config from '../e2e/playwright.config'
import { percentile } from './measure'

const batchCount = 300

/** A season view of many batches over a year, made of the demo's own things. */
function crowded(view: SeasonView): SeasonView {
  const template = view.batches.find(({ status }) => status === 'planned')
  if (!template) throw new Error('Expected a planned batch in the demo')
  const batches = Array.from({ length: batchCount }, (_, index) => {
    const pourDay = addDays(view.today, 1 + Math.floor((index * 360) / batchCount))
    const cutDay = addDays(pourDay, 1 + (index % 2))
    const mould = view.moulds[index % view.moulds.length]
    return {
      ...template,
      id: `bench-${index}`,
      name: `Batch ${index}`,
      mouldId: mould?.id ?? template.mouldId,
      mouldCount: 1,
      days: { prepDay: addDays(pourDay, -1), pourDay, cutDay, readyDay: addDays(cutDay, 28) },
    }
  })
  return { ...view, batches: [...view.batches, ...batches] }
}

/** Script and layout of single steps while the board with 300 batches is dragged and zoomed, measured by the browser. */
export async function benchBoard(): Promise<void> {
  const workshop = new WorkshopProcess()
  workshop.seedDemo()
  await workshop.start('2027-03-08')
  const browser = await chromium.launch(config.use?.launchOptions)
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.route('**/api/season', async (route) => {
      const response = await route.fetch()
      await route.fulfill({ response, json: crowded((await response.json()) as SeasonView) })
    })
    await page.goto(`${workshop.url}/plan`)
    await page.locator('.pour.planned').first().waitFor()
    const session = await page.context().newCDPSession(page)
    await session.send('Performance.enable')
    const spent = async (): Promise<number> => {
      const { metrics } = await session.send('Performance.getMetrics')
      const of = (name: string): number => metrics.find((metric) => metric.name === name)?.value ?? 0
      return 1000 * (of('ScriptDuration') + of('LayoutDuration') + of('RecalcStyleDuration'))
    }
    /** What one step costs until the frame that shows it is done, ms. */
    const costOf = async (step: () => Promise<unknown>): Promise<number> => {
      const before = await spent()
      await step()
      // As text, since what compiles this file puts a helper of its own into functions.
      await page.evaluate('new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))')
      return (await spent()) - before
    }
    const bar = page.locator('[data-batch="bench-20"]')
    await bar.scrollIntoViewIfNeeded()
    const box = await bar.boundingBox()
    if (!box) throw new Error('Expected the batch to be in sight')
    const idle: number[] = []
    const drags: number[] = []
    const zooms: number[] = []
    for (let round = 0; round < 5; round++) {
      for (let still = 0; still < 10; still++) idle.push(await costOf(async () => undefined))
      await page.mouse.move(box.x + 10, box.y + 10)
      await page.mouse.down()
      // Each step is one day: the whole plan is checked and the board drawn anew.
      for (let day = 1; day <= 20; day++)
        drags.push(await costOf(() => page.mouse.move(box.x + 10 + day * 15, box.y + 10)))
      if (!(await page.locator('[data-test=trial]').isVisible())) throw new Error('Expected the batch to move')
      await page.mouse.move(box.x + 10, box.y + 10, { steps: 10 })
      await page.mouse.up()
      for (const name of ['Month', 'Half a year', 'Week', 'Season'])
        zooms.push(
          await costOf(() =>
            page.evaluate(
              `[...document.querySelectorAll('.zooms button')].find((b) => b.textContent.trim() === '${name}').click()`,
            ),
          ),
        )
    }
    console.log(`The board with ${batchCount} batches over a year: script and layout of one step, ms`)
    for (const [what, figures] of [
      ['a frame in which nothing happens', idle],
      ['dragging a pour by a day', drags],
      ['zooming', zooms],
    ] as const) {
      const sorted = [...figures].sort((a, b) => a - b)
      console.log(
        `  ${what.padEnd(34)} median ${percentile(sorted, 0.5).toFixed(1)}, 95th percentile ${percentile(sorted, 0.95).toFixed(1)}, most ${percentile(sorted, 1).toFixed(1)}`,
      )
    }
  } finally {
    await browser.close()
    await workshop.dispose()
  }
}
