import type { Day } from '../calendar'
import { addDays } from '../calendar'
import type { Finish, FinishTime } from '../cutting'
import type { LoafEvent } from './loafEvents'
import type { LoafState } from './loafState'
import { stateAfter } from './loafState'

/** Edges are bevelled when the bar is firm but not brittle: the day after the cut. A rule of the house. */
export const bevelDaysAfterCut = 1

/** Bars of a loaf that a kind of finishing is done with. */
export function finishedBars({ cut, finished }: Pick<LoafState, 'cut' | 'finished'>, finish: Finish): number {
  const logged = finished.reduce((sum, one) => sum + (one.finish === finish ? one.bars : 0), 0)
  const all = cut?.bars ?? 0
  return finish === 'bevelled' && cut?.bevelled === true ? all : Math.min(all, logged)
}

/** Bars that one more event finishes and that were not before. */
export const newlyFinished = (before: LoafState, event: LoafEvent, finish: Finish): number =>
  finishedBars(stateAfter(before, event), finish) - finishedBars(before, finish)

/** A loaf as far as its finishing goes. */
export interface LoafToFinish {
  readonly id: string
  readonly state: LoafState
  readonly bevelled: boolean
  readonly stamped: boolean
  /** A stamp leaves a clean mark until this day; undefined where its recipe is not known. */
  readonly stampUntilDay: Day | undefined
}

/** What is left to finish of one loaf. */
export interface FinishWork extends FinishTime {
  readonly loafId: string
  readonly finish: Finish
  readonly bars: number
  /** Until when it should be done; undefined where it may wait. */
  readonly untilDay: Day | undefined
}

/**
 * What waits to be finished on a day, one kind of work after the other so that each tool is taken up once: stamping
 * while the bars are soft, then bevelling; what has least time left comes first.
 *
 * @throws {RangeError} if a day is no day
 */
export function finishWork(
  loaves: readonly LoafToFinish[],
  today: Day,
  timeOf: (finish: Finish, bars: number) => FinishTime,
): readonly FinishWork[] {
  const of = (finish: Finish): readonly FinishWork[] =>
    loaves
      .flatMap(({ id, state, bevelled, stamped, stampUntilDay }): readonly FinishWork[] => {
        const { cut, status } = state
        if (!cut || (status !== 'curing' && status !== 'held')) return []
        const isWanted = finish === 'stamped' ? stamped : bevelled && today >= addDays(cut.day, bevelDaysAfterCut)
        const bars = cut.bars - state.downgradedBars - finishedBars(state, finish)
        if (!isWanted || bars <= 0) return []
        const untilDay = finish === 'stamped' ? stampUntilDay : undefined
        return [{ loafId: id, finish, bars, untilDay, ...timeOf(finish, bars) }]
      })
      .sort((a, b) => (a.untilDay ?? '9').localeCompare(b.untilDay ?? '9') || a.loafId.localeCompare(b.loafId))
  return [...of('stamped'), ...of('bevelled')]
}

/** Minutes that were spent on several loaves at once, shared out by their bars: whole minutes that add up to all. */
export function shareMinutes(works: readonly Pick<FinishWork, 'bars'>[], minutes: number): readonly number[] {
  const all = works.reduce((sum, { bars }) => sum + bars, 0)
  let bars = 0
  let given = 0
  return works.map((work) => {
    bars += work.bars
    const upTo = all > 0 ? Math.round((minutes * bars) / all) : 0
    const own = upTo - given
    given = upTo
    return own
  })
}
