import { chromium } from '@playwright/test'
import config from '../e2e/playwright.config'
import { bytesOnTheWire } from '../e2e/onTheWire'
import { WorkshopProcess } from '../e2e/server'
import { percentile } from './measure'

const rounds = 9
/** The headline of the plan is to stand after a warm start within so long, ms. */
const mostMs = 700
/** What any page needs before it shows something, bytes over the wire. */
const mostBytes = 350_000

interface Times {
  readonly headlineMs: number
  readonly largestMs: number
}

/** The plan from a warm start: when its headline stands, when its largest part does, and what came over the wire. */
export async function benchFirstView(): Promise<void> {
  const workshop = new WorkshopProcess()
  workshop.seedDemo()
  await workshop.start('2027-03-08')
  const browser = await chromium.launch(config.use?.launchOptions)
  try {
    const times: Times[] = []
    const first = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    const wire = await bytesOnTheWire(first, `${workshop.url}/plan`)
    await first.close()
    for (let round = 0; round < rounds; round++) {
      // A browser that has seen nothing of it; the server has.
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
      const page = await context.newPage()
      await page.addInitScript(() => {
        const seen = window as unknown as { largestMs: number; headlineMs: number }
        new PerformanceObserver((list) => {
          for (const entry of list.getEntries()) seen.largestMs = entry.startTime
        }).observe({ type: 'largest-contentful-paint', buffered: true })
        new MutationObserver(() => {
          if (seen.headlineMs === undefined && document.querySelector('h1')) seen.headlineMs = performance.now()
        }).observe(document, { childList: true, subtree: true })
      })
      await page.goto(`${workshop.url}/plan`, { waitUntil: 'networkidle' })
      times.push(
        await page.evaluate(() => {
          const { headlineMs, largestMs } = window as unknown as Times
          return { headlineMs, largestMs }
        }),
      )
      await context.close()
    }
    const headline = times.map(({ headlineMs }) => headlineMs).sort((a, b) => a - b)
    const largest = times.map(({ largestMs }) => largestMs).sort((a, b) => a - b)
    const kilo = (bytes: number): string => (bytes / 1000).toFixed(1)
    console.log(
      `headline of the plan: median ${percentile(headline, 0.5).toFixed(0)} ms, worst ${Math.max(...headline).toFixed(0)} ms (at most ${mostMs})`,
    )
    console.log(`largest part painted: median ${percentile(largest, 0.5).toFixed(0)} ms`)
    console.log(
      `over the wire: ${kilo(wire.all)} kB (at most ${kilo(mostBytes)}): page ${kilo(wire.document)}, script ${kilo(wire.script)}, style ${kilo(wire.style)}, fonts ${kilo(wire.font)}; and ${kilo(wire.data)} kB of the workshop’s own data`,
    )
  } finally {
    await browser.close()
    await workshop.dispose()
  }
}
