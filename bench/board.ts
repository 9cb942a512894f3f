import { existsSync, readFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import type { Locator } from '@playwright/test'
import { chromium } from '@playwright/test'
import type { SeasonView } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import { WorkshopProcess } from '../e2e/server'
import config from '../e2e/playwright.config'
import type { FrameCost } from './frameCosts'
import { frameCostsOf } from './frameCosts'
import { percentile } from './measure'

const batchCount = 300
/** Between two days by which the pour is dragged, ms: twelve days a second, 180 pixels. */
const msADay = 84
/** Between two zooms, ms. */
const msAZoom = 400
/** How long a button is held, ms: a quick click. */
const msAClick = 50
/** What a frame may take, ms. */
const mostMs = 8
const rounds = 7
/** At the zoom that the board opens with. */
const pixelsADay = 15

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

/**
 * Script, style and layout of each frame while the board with 300 batches is dragged by the mouse and zoomed by its
 * buttons, as Chromium traces them.
 */
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
    const bar = page.locator('[data-batch="bench-20"]')
    await bar.scrollIntoViewIfNeeded()
    // The faces are drawn once, when the page is opened.
    await page.waitForLoadState('networkidle')
    await page.waitForTimeout(2000)
    const middleOf = async (what: Locator): Promise<{ readonly x: number; readonly y: number }> => {
      const box = await what.boundingBox()
      if (!box) throw new Error('Expected it to be in sight')
      return { x: box.x + 10, y: box.y + box.height / 2 }
    }
    const start = await middleOf(bar)
    const buttons = await Promise.all(
      ['Month', 'Half a year', 'Week', 'Season'].map((name) =>
        middleOf(page.locator('.zooms').getByRole('button', { name })),
      ),
    )
    const drags: (readonly FrameCost[])[] = []
    const zooms: (readonly FrameCost[])[] = []
    const stolenBefore = stolenMs()
    const startedAt = performance.now()
    for (let round = 0; round < rounds; round++) {
      await page.mouse.move(start.x, start.y)
      await page.mouse.down()
      const drag = async (): Promise<void> => {
        // Each step is one day: the whole plan is checked and the board drawn anew.
        for (let day = 1; day <= 20; day++) {
          await page.mouse.move(start.x + day * pixelsADay, start.y)
          await page.waitForTimeout(msADay)
        }
      }
      drags.push(await frameCostsOf(browser, page, drag))
      if (!(await page.locator('[data-test=trial]').isVisible())) throw new Error('Expected the batch to move')
      await page.mouse.move(start.x, start.y, { steps: 10 })
      await page.mouse.up()
      await page.waitForTimeout(msAZoom)
      const zoom = async (): Promise<void> => {
        for (const { x, y } of buttons) {
          await page.mouse.click(x, y, { delay: msAClick })
          await page.waitForTimeout(msAZoom)
        }
      }
      zooms.push(await frameCostsOf(browser, page, zoom))
    }
    console.log(`The board with ${batchCount} batches over a year: script, style and layout a frame, ms`)
    print('dragging a pour by a day', drags, 'pointermove')
    print('zooming', zooms, 'click')
    const stolen = (stolenMs() - stolenBefore) / (performance.now() - startedAt) / availableParallelism()
    console.log(`  Meanwhile other machines took ${(stolen * 100).toFixed(1)} % of this one's time, by its own count.`)
  } finally {
    await browser.close()
    await workshop.dispose()
  }
}

/** Time that the host of a virtual machine took from it since it started, ms; 0 where it does not tell. */
function stolenMs(): number {
  const ticksASecond = 100
  const source = '/proc/stat'
  if (!existsSync(source)) return 0
  const steal = readFileSync(source, 'utf8').split('\n')[0]?.split(/\s+/)[8]
  return (Number(steal ?? 0) * 1000) / ticksASecond
}

/** The dearest frame of each step, a step beginning with each frame that hears an event of a kind. */
function dearestOfSteps(frames: readonly FrameCost[], kind: string): readonly number[] {
  const dearest: number[] = []
  for (const { ranMs, heard } of frames) {
    if (heard.has(kind)) dearest.push(0)
    const step = dearest.length - 1
    if (step >= 0) dearest[step] = Math.max(dearest[step] ?? 0, ranMs)
  }
  return dearest
}

function print(what: string, rounds: readonly (readonly FrameCost[])[], kind: string): void {
  // Frames with nothing to do would only flatter the figures.
  const busy = rounds.flat().filter(({ ranMs }) => ranMs > 0.3)
  const told = (how: string, costOf: (frame: FrameCost) => number): string => {
    const sorted = busy.map(costOf).sort((a, b) => a - b)
    const [median, high, most] = [0.5, 0.95, 1].map((share) => percentile(sorted, share).toFixed(1))
    const above = sorted.filter((ms) => ms > mostMs).length
    return `    ${how.padEnd(34)} median ${median}, 95th percentile ${high}, most ${most}, above ${mostMs}: ${above}`
  }
  const steps = rounds.map((frames) => dearestOfSteps(frames, kind))
  const middle = (steps[0] ?? []).map((_, step) =>
    percentile(
      steps.map((round) => round[step] ?? Number.NaN).sort((a, b) => a - b),
      0.5,
    ),
  )
  console.log(`  ${what}: ${busy.length} frames in ${rounds.length} rounds of ${middle.length} steps`)
  console.log(told('the thread ran', ({ ranMs }) => ranMs))
  console.log(told('by the clock', ({ clockMs }) => clockMs))
  console.log(told('with garbage collected in between', ({ ranMs, collectedMs }) => ranMs + collectedMs))
  // The same steps every round: what comes back is the board's, what comes once is the machine's.
  console.log(
    `    the dearest frame of each step, the middle one of all rounds: most ${Math.max(...middle).toFixed(1)}, ` +
      `above ${mostMs}: ${middle.filter((ms) => ms > mostMs).length}`,
  )
}
