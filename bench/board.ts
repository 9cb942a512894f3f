import { chromium } from '@playwright/test'
import type { SeasonView } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import { WorkshopProcess } from '../e2e/server'
import config from '../e2e/playwright.config'
import { costsOf, watchFrames } from './frameCosts'
import { percentile } from './measure'

const batchCount = 300
/** Frames that follow each day by which the pour is dragged: twelve days a second, 180 pixels. */
const framesADay = 4

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
    await watchFrames(page)
    await page.goto(`${workshop.url}/plan`)
    await page.locator('.pour.planned').first().waitFor()
    const bar = page.locator('[data-batch="bench-20"]')
    await bar.scrollIntoViewIfNeeded()
    const box = await bar.boundingBox()
    if (!box) throw new Error('Expected the batch to be in sight')
    const idle: number[] = []
    const drags: number[] = []
    const zooms: number[] = []
    for (let round = 0; round < 5; round++) {
      idle.push(...(await costsOf(page, '', 10)))
      await page.mouse.move(box.x + 10, box.y + 10)
      await page.mouse.down()
      // Each step is one day: the whole plan is checked and the board drawn anew.
      for (let day = 1; day <= 20; day++) {
        const at = `{ bubbles: true, clientX: ${box.x + 10 + day * 15}, clientY: ${box.y + 10} }`
        const moved = `document.querySelector('[data-batch="bench-20"]')`
        const step = `${moved}.dispatchEvent(new PointerEvent('pointermove', ${at}))`
        drags.push(...(await costsOf(page, step, framesADay)))
      }
      if (!(await page.locator('[data-test=trial]').isVisible())) throw new Error('Expected the batch to move')
      await page.mouse.move(box.x + 10, box.y + 10, { steps: 10 })
      await page.mouse.up()
      for (const name of ['Month', 'Half a year', 'Week', 'Season']) {
        const buttons = `[...document.querySelectorAll('.zooms button')]`
        const step = `${buttons}.find((button) => button.textContent.trim() === '${name}').click()`
        zooms.push(...(await costsOf(page, step, 20)))
      }
    }
    console.log(`The board with ${batchCount} batches over a year: script, style and layout a frame, ms by the clock`)
    for (const [what, figures] of [
      ['nothing happens', idle],
      ['dragging a pour by a day', drags],
      ['zooming', zooms],
    ] as const) {
      // Frames with nothing to do would only flatter the figures.
      const sorted = figures.filter((ms) => what === 'nothing happens' || ms > 0.3).sort((a, b) => a - b)
      console.log(
        `  ${what.padEnd(34)} median ${percentile(sorted, 0.5).toFixed(1)}, 95th percentile ${percentile(sorted, 0.95).toFixed(1)}, most ${percentile(sorted, 1).toFixed(1)}, above 8: ${sorted.filter((ms) => ms > 8).length} of ${sorted.length}`,
      )
    }
  } finally {
    await browser.close()
    await workshop.dispose()
  }
}
