import { traysUntil } from '../problem/planCost'
import { prepDayOf } from '../problem/prepDay'
import type { ProblemBatch, SeasonProblem } from '../problem/seasonProblem'
import { mouldCountOf } from '../problem/seasonProblem'
import type { DayOption } from './dayOptions'

/**
 * The days that some batches may take and what they ask for there, flat in typed arrays: what a search reads millions of
 * times. An option is a number; those of a batch follow each other.
 */
export class OptionTable {
  readonly days: number
  /** First option of each batch, one more at the end. */
  readonly firstOption: Int32Array
  readonly pourOf: Int32Array
  readonly cutOf: Int32Array
  readonly prepOf: Int32Array
  /** First day on which the trays are free again. */
  readonly traysEndOf: Int32Array
  /** What an option costs by its days, the pour day left out. */
  readonly costOfOption: Float64Array
  readonly prepHours: Float64Array
  readonly pourHours: Float64Array
  readonly cutHours: Float64Array
  /** Moulds in the oven; 0 for a batch that needs none. */
  readonly ovenMoulds: Int32Array
  readonly batchTrays: Int32Array
  /** Last cut day of each batch on which it is ready when it is due. */
  readonly lastCut: Int32Array
  readonly kinds: readonly string[]
  /** Mould kinds of the batches one after the other, with their counts; `firstMould` says where each batch begins. */
  readonly firstMould: Int32Array
  readonly mouldKind: Int32Array
  readonly mouldCount: Int32Array

  /**
   * @param options for each batch the days it may take, at least one
   * @param costOf what a batch costs on an option, the pour day left out
   */
  constructor(
    problem: SeasonProblem,
    readonly batches: readonly ProblemBatch[],
    options: readonly (readonly DayOption[])[],
    costOf: (batch: ProblemBatch, option: DayOption) => number,
  ) {
    const { days } = problem
    this.days = days
    this.firstOption = startsOf(options)
    const count = this.firstOption[batches.length]!
    this.pourOf = new Int32Array(count)
    this.cutOf = new Int32Array(count)
    this.prepOf = new Int32Array(count)
    this.traysEndOf = new Int32Array(count)
    this.costOfOption = new Float64Array(count)
    batches.forEach((batch, index) => {
      let at = this.firstOption[index]!
      for (const option of options[index]!) {
        const { pour, cut } = option
        this.pourOf[at] = pour
        this.cutOf[at] = cut
        this.prepOf[at] = prepDayOf(problem, batch, pour)
        this.traysEndOf[at] = traysUntil(batch, cut, days)
        this.costOfOption[at++] = costOf(batch, option)
      }
    })
    this.prepHours = Float64Array.from(batches, (batch) => batch.prepHours)
    this.pourHours = Float64Array.from(batches, (batch) => batch.pourHours)
    this.cutHours = Float64Array.from(batches, (batch) => batch.cutHours)
    this.batchTrays = Int32Array.from(batches, (batch) => batch.trays)
    this.ovenMoulds = Int32Array.from(batches, (batch) => (batch.oven ? mouldCountOf(batch) : 0))
    this.lastCut = Int32Array.from(batches, ({ due, cureDays }) => due - cureDays)
    this.kinds = Object.keys(problem.mouldKinds)
    const mouldPairs = batches.map(({ moulds }) => Object.entries(moulds))
    this.firstMould = startsOf(mouldPairs)
    this.mouldKind = Int32Array.from(mouldPairs.flat(), ([kind]) => this.kinds.indexOf(kind))
    this.mouldCount = Int32Array.from(mouldPairs.flat(), ([, count]) => count)
  }

  /** The option of a batch on some days. @throws {RangeError} if it has none there */
  optionOn(batch: number, { pour, cut }: DayOption): number {
    for (let option = this.firstOption[batch]!; option < this.firstOption[batch + 1]!; option++)
      if (this.pourOf[option] === pour && this.cutOf[option] === cut) return option
    throw new RangeError(`Expected days of batch ${batch}, got ${pour} and ${cut}`)
  }

  /** The days of an option. */
  daysOf(option: number): DayOption {
    return { pour: this.pourOf[option]!, cut: this.cutOf[option]! }
  }
}

/** Where each list begins when they stand one after the other, one more at the end. */
function startsOf(lists: readonly (readonly unknown[])[]): Int32Array {
  const starts = new Int32Array(lists.length + 1)
  lists.forEach((list, index) => (starts[index + 1] = starts[index]! + list.length))
  return starts
}
