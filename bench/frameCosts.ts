import type { Browser, Page } from '@playwright/test'
import { array, number, object, string } from 'yup'

/** What a frame costs the page's own thread. */
export interface FrameCost {
  /** Time that the thread ran for script, style and layout, ms: what else the machine does meanwhile does not count. */
  readonly ranMs: number
  /** The same by the clock, ms. */
  readonly clockMs: number
  /** Time that the thread ran to collect garbage in tasks of their own, ms. Within script it counts as script. */
  readonly collectedMs: number
  /** Kinds of events that were heard in it, such as click. */
  readonly heard: ReadonlySet<string>
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
      args: object({ data: object({ type: string() }).default(undefined) }).default(undefined),
    }).required(),
  ).required(),
})

const counted = new Set(
  (
    'EvaluateScript FunctionCall v8.callFunction FireAnimationFrame FireIdleCallback EventDispatch TimerFire ' +
    'HandlePostMessage RunMicrotasks XHRReadyStateChange IntersectionObserverController::computeIntersections ' +
    'UpdateLayoutTree Layout'
  ).split(' '),
)
const collecting = new Set(['MinorGC', 'MajorGC', 'V8.GCIncrementalMarking'])
const microsecondsAFrame = 1e6 / 60

/**
 * Costs of the frames that the page draws during `work`, by Chromium's trace: each from the first task that asks for it
 * to its end. Between frames, as when garbage is collected while the hand rests, what happens counts by sixtieths of a
 * second. What `work` asks the page itself counts too.
 */
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
  const nothing = { ranMs: 0, clockMs: 0, collectedMs: 0, heard: new Set<string>(), from: Infinity }
  let open = nothing
  let isInFrame = false
  let countedTo = 0
  const end = (): void => {
    if (open !== nothing) frames.push(open)
    open = nothing
  }
  for (const { name, ph, ts, dur = 0, tdur = 0, args } of events) {
    if (!isInFrame && ts > open.from + microsecondsAFrame) end()
    if (name === 'AnimationFrame' && ph === 'b') isInFrame = true
    if (name === 'AnimationFrame' && ph === 'e') {
      isInFrame = false
      end()
    }
    // What happens within something counted is counted with it.
    const isCollecting = collecting.has(name)
    if (ph !== 'X' || ts < countedTo || !(isCollecting || counted.has(name))) continue
    countedTo = ts + dur
    const type = args?.data?.type
    open = {
      ranMs: open.ranMs + (isCollecting ? 0 : tdur / 1000),
      clockMs: open.clockMs + (isCollecting ? 0 : dur / 1000),
      collectedMs: open.collectedMs + (isCollecting ? tdur / 1000 : 0),
      heard: name === 'EventDispatch' && type ? new Set([...open.heard, type]) : open.heard,
      from: Math.min(open.from, ts),
    }
  }
  end()
  return frames
}
