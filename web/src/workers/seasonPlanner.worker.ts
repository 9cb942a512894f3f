import type {
  Placement,
  DeliveryDate,
  DeliveryOptions,
  SeasonProblem,
  SolvedSeason,
  SolverOptions,
  SolverProgress,
} from '@vendange/core/season'
import { deliveryDate, solveSeason } from '@vendange/core/season'
import { expose } from 'comlink'

/** What the planner's worker does. A stop ends the worker; the best plan until then was told through `onProgress`. */
export interface SeasonPlanner {
  solve(
    problem: SeasonProblem,
    options: Omit<SolverOptions, 'onProgress'>,
    onProgress: (progress: SolverProgress) => void,
  ): SolvedSeason
  promise(
    problem: SeasonProblem,
    standing: readonly Placement[],
    wished: readonly string[],
    options: DeliveryOptions,
  ): DeliveryDate
}

const planner: SeasonPlanner = {
  solve: (problem, options, onProgress) =>
    solveSeason(problem, {
      ...options,
      onProgress: (progress) => {
        onProgress(progress)
      },
    }),
  promise: deliveryDate,
}
expose(planner)
