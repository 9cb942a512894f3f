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

/** So many searches go on side by side, each from a seed of its own and with so much less to do. */
const sideBySide = 2
const effortOfEach = 0.6

type Found = Pick<SolverProgress, 'plan' | 'isFeasible' | 'costWithChanges'>

/** Which of two plans is the better one. */
function better<Plan extends Found>(one: Plan, two: Plan): Plan {
  if (one.isFeasible !== two.isFeasible) return one.isFeasible ? one : two
  return two.costWithChanges < one.costWithChanges ? two : one
}

/**
 * Plans a season in workers of its own: where the machine does two things at once, from two seeds, of which the better
 * plan is taken. The same season gives the same plan on every machine that does.
 */
export function planInWorker(
  problem: SeasonProblem,
  options: Omit<SolverOptions, 'onProgress' | 'seed' | 'effort'>,
  onProgress: (progress: Pick<SolverProgress, 'done' | 'cost'>) => void,
): PlanningRun {
  const isWide = navigator.hardwareConcurrency >= sideBySide
  const seeds = Array.from({ length: isWide ? sideBySide : 1 }, (_, at) => at + 1)
  const workers = seeds.map(newWorker)
  const bestOf = new Map<number, SolverProgress>()
  const best = (): SolverProgress | undefined => {
    const [first, ...others] = bestOf.values()
    return first && others.reduce(better, first)
  }
  let stop: () => void = () => undefined
  const stopped = new Promise<undefined>((resolve) => (stop = () => resolve(undefined)))
  const solving = seeds.map(async (seed, at) => {
    const planner = wrap<SeasonPlanner>(workers[at]!)
    const effort = isWide ? effortOfEach : 1
    const told = proxy((progress: SolverProgress) => {
      bestOf.set(seed, progress)
      const done = seeds.reduce((sum, one) => sum + (bestOf.get(one)?.done ?? 0), 0) / seeds.length
      onProgress({ done, cost: best()?.cost ?? progress.cost })
    })
    const { plan, check, costWithChanges } = await planner.solve(
      plainCopy(problem),
      plainCopy({ ...options, seed, effort }),
      told,
    )
    return { plan, isFeasible: check.isFeasible, costWithChanges }
  })
  const plan = Promise.race([Promise.all(solving).then((all) => all.reduce(better).plan), stopped])
    .then((found) => found ?? best()?.plan)
    .finally(() => workers.forEach((worker) => worker.terminate()))
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
