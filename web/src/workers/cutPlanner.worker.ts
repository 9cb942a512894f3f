import type { Allowances, CutPlan, Piece, RoughBlock } from '@vendange/core/cutting'
import { planCuts } from '@vendange/core/cutting'
import { expose } from 'comlink'

/** Plans how a block is cut, off the page's thread. */
export interface CutPlanner {
  plan(block: RoughBlock, pieces: readonly Piece[], allowances: Allowances): readonly CutPlan[]
}

const planner: CutPlanner = { plan: planCuts }
expose(planner)
