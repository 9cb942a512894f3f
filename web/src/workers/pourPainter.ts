import type { Remote } from 'comlink'
import { wrap } from 'comlink'
import type { PourPainter } from './pourPicture.worker'

/** A painter in a worker of its own, with what ends it. */
export function startPainter(): { painter: Remote<PourPainter>; end: () => void } {
  const worker = new Worker(new URL('./pourPicture.worker.ts', import.meta.url), { type: 'module' })
  return { painter: wrap<PourPainter>(worker), end: () => worker.terminate() }
}
