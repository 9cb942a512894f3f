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
  window.frameCosts = async (count) => {
    frames.clear()
    for (let frame = 0; frame < count; frame++) await new Promise((done) => ask(done))
    return [...frames.values()]
  }
`

export async function watchFrames(page: Page): Promise<void> {
  await page.addInitScript(inThePage)
}

/** Cost of a step and of the frames after it, ms. `step` is JavaScript, run in the page. */
export async function costsOf(page: Page, step: string, framesAfter: number): Promise<readonly number[]> {
  return page.evaluate<number[]>(
    `(async () => [await stepCost(() => { ${step} }), ...(await frameCosts(${framesAfter}))])()`,
  )
}
