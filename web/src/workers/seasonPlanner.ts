import { plainCopy } from '@/parts/plainCopy'
import type {
  Placement,
  DeliveryDate,
  SeasonPlan,
  SeasonProblem,
  SolverOptions,
  SolverProgress,
} from '@vendange/core/season'
import { proxy, wrap } from 'comlink'
import type { SeasonPlanner } from './seasonPlanner.worker'

export interface PlanningRun {
  /** The plan, or the best one so far when it was stopped; undefined when none was found until then. */
  readonly plan: Promise<SeasonPlan | undefined>
  /** Ends the search and settles with the best plan so far. */
  stop(): void
}

const newWorker = (): Worker => new Worker(new URL('./seasonPlanner.worker.ts', import.meta.url), { type: 'module' })

/** What crosses to a worker is cloned, which a reactive object does not stand. */

/** Plans a season in a worker of its own. */
export function planInWorker(
  problem: SeasonProblem,
  options: Omit<SolverOptions, 'onProgress'>,
  onProgress: (progress: SolverProgress) => void,
): PlanningRun {
  const worker = newWorker()
  const planner = wrap<SeasonPlanner>(worker)
  let best: SeasonPlan | undefined
  let stop: () => void = () => undefined
  const stopped = new Promise<undefined>((resolve) => (stop = () => resolve(undefined)))
  const solved = planner.solve(
    plainCopy(problem),
    plainCopy(options),
    proxy((progress: SolverProgress) => {
      best = progress.plan
      onProgress(progress)
    }),
  )
  const plan = Promise.race([solved.then((result) => result.plan), stopped])
    .then((found) => found ?? best)
    .finally(() => worker.terminate())
  return { plan, stop: () => stop() }
}

/** One question to the worker: for some wished batches, the earliest day that can be promised. */
export interface PromiseQuestion {
  readonly problem: SeasonProblem
  readonly standing: readonly Placement[]
  readonly pinned: readonly Placement[]
  readonly wished: readonly string[]
}

/** Answers questions about promise dates one after the other, in a worker of its own, telling each answer at once. */
export async function promisesInWorker(
  questions: readonly PromiseQuestion[],
  onAnswer: (answer: DeliveryDate, index: number) => void,
): Promise<void> {
  const worker = newWorker()
  const planner = wrap<SeasonPlanner>(worker)
  try {
    for (const [index, question] of questions.entries()) {
      const { problem, standing, wished, pinned } = plainCopy(question)
      onAnswer(await planner.promise(problem, standing, wished, { pinned }), index)
    }
  } finally {
    worker.terminate()
  }
}
