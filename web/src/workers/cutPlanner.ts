import { wrap } from 'comlink'
import type { CutPlanner } from './cutPlanner.worker'

/** A cut planner in a worker of its own, and how to end it. */
export function startCutPlanner() {
  const worker = new Worker(new URL('./cutPlanner.worker.ts', import.meta.url), { type: 'module' })
  return { planner: wrap<CutPlanner>(worker), end: () => worker.terminate() }
}
