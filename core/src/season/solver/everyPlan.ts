import type { Best } from './annealing'
import { keepIfBetter } from './annealing'
import type { OptionTable } from './optionTable'
import type { Workload } from './workload'

/** How many plans some batches have together, their options multiplied; Infinity beyond what a number holds exactly. */
export function planCount({ firstOption }: Pick<OptionTable, 'firstOption'>, batches: Int32Array): number {
  const count = batches.reduce((product, batch) => product * (firstOption[batch + 1]! - firstOption[batch]!), 1)
  return Number.isSafeInteger(count) ? count : Infinity
}

/** Looks at every plan of some batches, the others staying where they are. Changes `load` and `best`. */
export function everyPlan(load: Workload, batches: Int32Array, best: Best, depth = 0): void {
  const batch = batches[depth]
  if (batch === undefined) {
    keepIfBetter(load, best)
    return
  }
  for (let option = load.firstOption[batch]!; option < load.firstOption[batch + 1]!; option++) {
    if (load.place[batch] !== option) load.move(batch, option)
    everyPlan(load, batches, best, depth + 1)
  }
}
