import type { Page } from '@playwright/test'

/**
 * Put into the page before its own script. `stepCost` does a step and tells what it costs by the clock, in ms: script
 * with all promises it keeps, then style and layout, which are asked for at once. `frameCosts` tells the same of the
 * frames that follow, by the callbacks that the page asks for in them. Written as text, since what compiles this file
 * puts helpers of its own into functions.
 */
const inThePage = `
  const settled = async () => { for (let tick = 0; tick < 6; tick++) await null }
  const laidOut = () => document.body.offsetHeight
  const frames = new Map()
  const ask = window.requestAnimationFrame.bind(window)
  window.requestAnimationFrame = (callback) => ask(async (time) => {
    const start = performance.now()
    callback(time)
    await settled()
    laidOut()
    frames.set(time, (frames.get(time) ?? 0) + performance.now() - start)
  })
  window.stepCost = async (step) => {
    laidOut()
    const start = performance.now()
    step()
    await settled()
    laidOut()
    return performance.now() - start
  }
  let frameNumber = 0
  const count = () => ask(() => { frameNumber++; count() })
  count()
  window.frameNumber = () => frameNumber
  window.nextFrame = () => new Promise((done) => ask(() => setTimeout(done, 0)))
  window.frameCosts = async (count) => {
    frames.clear()
    for (let frame = 0; frame < count; frame++) await new Promise((done) => ask(done))
    return [...frames.values()]
  }
`

export async function watchFrames(page: Page): Promise<void> {
  await page.addInitScript(inThePage)
}

export interface FrameCost {
  readonly ms: number
  /** Frames that the reading holds. */
  readonly frames: number
}

/** Cost of a step and of the frames after it. `step` is JavaScript, run in the page. */
export async function costsOf(page: Page, step: string, framesAfter: number): Promise<readonly FrameCost[]> {
  const costs = await page.evaluate<number[]>(
    `(async () => [await stepCost(() => { ${step} }), ...(await frameCosts(${framesAfter}))])()`,
  )
  return costs.map((ms) => ({ ms, frames: 1 }))
}

/** Script, style and layout that the browser has counted so far, by the processor time of the page's own thread, ms. */
export type ThreadTime = () => Promise<number>

/** @returns a reading of the browser's own count, which other processes on the machine do not add to */
export async function threadTimeOf(page: Page): Promise<ThreadTime> {
  const session = await page.context().newCDPSession(page)
  await session.send('Performance.enable', { timeDomain: 'threadTicks' })
  return async () => {
    const { metrics } = await session.send('Performance.getMetrics')
    const seconds = (name: string): number => metrics.find((metric) => metric.name === name)?.value ?? 0
    return 1000 * (seconds('ScriptDuration') + seconds('RecalcStyleDuration') + seconds('LayoutDuration'))
  }
}

/**
 * The same as {@link costsOf} by processor time: the step, then each frame after it. Asking takes a moment, so that a
 * reading may hold two or three frames.
 */
export async function threadCostsOf(
  page: Page,
  threadTime: ThreadTime,
  step: string,
  framesAfter: number,
): Promise<readonly FrameCost[]> {
  const costs: FrameCost[] = []
  let before = await threadTime()
  let last = await page.evaluate<number>('frameNumber()')
  for (let frame = 0; frame <= framesAfter; frame++) {
    const number = await page.evaluate<number>(
      frame === 0
        ? `(async () => { ${step}; for (let tick = 0; tick < 6; tick++) await null; document.body.offsetHeight; return frameNumber() })()`
        : '(async () => { await nextFrame(); return frameNumber() })()',
    )
    const after = await threadTime()
    costs.push({ ms: after - before, frames: Math.max(1, number - last) })
    last = number
    before = after
  }
  return costs
}
