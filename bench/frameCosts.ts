import type { Browser, Page } from '@playwright/test'
import { array, number, object, string } from 'yup'

/** What a frame costs the page's own thread: script with the collecting of its garbage, style and layout. */
export interface FrameCost {
  /** Time that the thread ran, ms: what else the machine does meanwhile does not count. */
  readonly ranMs: number
  /** By the clock, ms. */
  readonly clockMs: number
}

/** An event of Chromium's trace; times in microseconds. `tdur` is what the thread ran of `dur`. */
const traceSchema = object({
  traceEvents: array(
    object({
      name: string().required(),
      ph: string().required(),
      pid: number().required(),
      tid: number().required(),
      ts: number().required(),
      dur: number(),
      tdur: number(),
    }).required(),
  ).required(),
})

const counted = new Set(
  (
    'EvaluateScript FunctionCall v8.callFunction FireAnimationFrame FireIdleCallback EventDispatch TimerFire ' +
    'HandlePostMessage RunMicrotasks XHRReadyStateChange IntersectionObserverController::computeIntersections ' +
    'MinorGC MajorGC V8.GCIncrementalMarking UpdateLayoutTree Layout'
  ).split(' '),
)
/** Ends each frame of the page. */
const isFrameEnd = ({ name, ph }: { name: string; ph: string }): boolean =>
  name === 'AnimationFrame::Render' && ph === 'e'

/** Costs of the frames that the page draws during `work`, by Chromium's trace. What `work` asks the page itself counts too. */
export async function frameCostsOf(
  browser: Browser,
  page: Page,
  work: () => Promise<void>,
): Promise<readonly FrameCost[]> {
  await browser.startTracing(page, { categories: ['devtools.timeline', 'v8'] })
  await work()
  const trace: unknown = JSON.parse((await browser.stopTracing()).toString())
  const { traceEvents } = traceSchema.validateSync(trace)
  const threadOf = ({ pid, tid }: { pid: number; tid: number }): string => `${pid}:${tid}`
  const pageThread = traceEvents.find(({ name }) => name === 'FireAnimationFrame')
  if (!pageThread) throw new Error('Expected the page to draw frames')
  const events = traceEvents
    .filter((event) => threadOf(event) === threadOf(pageThread))
    .sort((a, b) => a.ts - b.ts || (b.dur ?? 0) - (a.dur ?? 0))

  const frames: FrameCost[] = []
  let frame = { ranMs: 0, clockMs: 0 }
  let countedTo = 0
  for (const event of events) {
    if (isFrameEnd(event)) {
      frames.push(frame)
      frame = { ranMs: 0, clockMs: 0 }
    }
    // What happens within something counted is counted with it.
    if (event.ph !== 'X' || event.ts < countedTo || !counted.has(event.name)) continue
    countedTo = event.ts + (event.dur ?? 0)
    frame = { ranMs: frame.ranMs + (event.tdur ?? 0) / 1000, clockMs: frame.clockMs + (event.dur ?? 0) / 1000 }
  }
  return frames
}
