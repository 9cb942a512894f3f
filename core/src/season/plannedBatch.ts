import type { BatchDays, BatchDemand } from './batchDays'
import type { FillsMoulds } from './mouldsOfBatch'

/** A batch that stands on the calendar, with the moulds it holds from its pour to its cut. */
export interface PlannedBatch extends FillsMoulds {
  readonly id: string
  readonly name: string
  readonly demand: BatchDemand
  readonly days: BatchDays
}
