import { sentence } from '../findings'
import type { BatchPlan } from './batchPlan'
import type { RunSheetStep } from './steps'
import { pieceStepKey, weigh } from './steps'

/** The weighings of the pieces, before the pour. */
export const pieceSteps = ({ pieces = [] }: Pick<BatchPlan, 'pieces'>): readonly RunSheetStep[] =>
  pieces.map(({ colour, lotCode, massG }, index) =>
    weigh(pieceStepKey(index), 'colours', massG, {
      name: sentence('piece_name', { colour }),
      title: sentence('piece_title', { colour, lot: lotCode }),
      detail: sentence('piece_detail'),
    }),
  )
