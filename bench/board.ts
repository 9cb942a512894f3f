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

interface Frames {
  readonly script: number
  readonly layout: number
  readonly frames: number
}

/** Script and layout a frame while the board with 300 batches is dragged and zoomed, measured by the browser itself. */
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
    const metrics = async (): Promise<Frames> => {
      const { metrics: list } = await session.send('Performance.getMetrics')
      const of = (name: string): number => list.find((metric) => metric.name === name)?.value ?? 0
      const frames = (await page.evaluate('window.frameCount')) as number
      return { script: of('ScriptDuration'), layout: of('LayoutDuration') + of('RecalcStyleDuration'), frames }
    }
    // As text, since what compiles this file puts a helper of its own into functions.
    await page.evaluate(
      'window.frameCount = 0; requestAnimationFrame(function tick() { window.frameCount += 1; requestAnimationFrame(tick) })',
    )
    const perFrame = async (work: () => Promise<void>): Promise<number> => {
      const before = await metrics()
      await work()
      const after = await metrics()
      return (
        (1000 * (after.script - before.script + after.layout - before.layout)) /
        Math.max(1, after.frames - before.frames)
      )
    }
    const box = await page.locator('[data-batch="bench-20"]').boundingBox()
    if (!box) throw new Error('Expected the batch to be in sight')
    const drags: number[] = []
    const zooms: number[] = []
    for (let round = 0; round < 5; round++) {
      drags.push(
        await perFrame(async () => {
          await page.mouse.move(box.x + 10, box.y + 10)
          await page.mouse.down()
          for (let step = 1; step <= 60; step++) {
            await page.mouse.move(box.x + 10 + step * 5, box.y + 10)
            await page.waitForTimeout(16)
          }
          await page.keyboard.press('Escape')
          await page.mouse.move(box.x + 10, box.y + 10)
          await page.mouse.up()
        }),
      )
      zooms.push(
        await perFrame(async () => {
          for (const name of ['Month', 'Half a year', 'Week', 'Season']) {
            await page.getByRole('button', { name, exact: true }).click()
            await page.waitForTimeout(250)
          }
        }),
      )
    }
    const middle = (figures: number[]): string =>
      percentile(
        figures.sort((a, b) => a - b),
        0.5,
      ).toFixed(1)
    console.log(`The board with ${batchCount} batches over a year: script and layout a frame`)
    console.log(`  while dragging ${middle(drags)} ms, while zooming ${middle(zooms)} ms (median of 5 runs)`)
  } finally {
    await browser.close()
    await workshop.dispose()
  }
}
