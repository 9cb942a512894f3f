import type { Day } from '../calendar'
import { daysBetween } from '../calendar'
import { weighInEveryDays } from '../cure'
import type { BatchDays, BatchDemand } from './batchDays'

/** What a day can ask, in the order in which it is done. */
export const dayTaskKinds = [
  'set_up',
  'prepare',
  'pour',
  'unmould',
  'cut',
  'stamp',
  'bevel',
  'turn',
  'weigh',
  'label',
  'release',
] as const
export type DayTaskKind = (typeof dayTaskKinds)[number]

/** A batch with what the day sheet has to know of it. */
export interface BatchAtWork {
  readonly id: string
  readonly name: string
  readonly days: BatchDays
  readonly demand: BatchDemand
  readonly bars: number
  readonly bevelled: boolean
  readonly stamped: boolean
  /** What is on record already. */
  readonly isPoured: boolean
  readonly isUnmoulded: boolean
  readonly isCut: boolean
  readonly isReleased: boolean
  /** Days on which a bar of it was weighed. */
  readonly weighedOn: readonly Day[]
}

export interface DayTask {
  /** Unique on its day. */
  readonly key: string
  readonly kind: DayTaskKind
  /** Id of the batch or the collection; empty for the set-up. */
  readonly subjectId: string
  readonly name: string
  /** Undefined when it is part of another task, or nobody has timed it yet. */
  readonly minutes: number | undefined
  /** Whether the record says it is done; ticks come on top. */
  readonly isOnRecord: boolean
}

export interface DayTaskTimes {
  readonly setupHours: number
  readonly bevelMinutesPerBar: number
  readonly stampMinutesPerBar: number
}

/** Edges are bevelled when the bar is firm but not brittle: the day after the cut. A rule of the house. */
export const bevelDaysAfterCut = 1
/** Bars are turned on their trays once a week. A rule of the house. */
export const turnEveryDays = 7

const minutesOf = (hours: number): number => Math.round(hours * 60)

/**
 * All that a day asks, in order, with minutes.
 *
 * @param releases collections that come out on the day
 * @throws {RangeError} if a day is no day
 */
export function dayTasks(
  day: Day,
  batches: readonly BatchAtWork[],
  releases: readonly { readonly id: string; readonly name: string }[],
  times: DayTaskTimes,
): readonly DayTask[] {
  const tasks: DayTask[] = []
  const add = (
    kind: DayTaskKind,
    { id, name }: { readonly id: string; readonly name: string },
    minutes: number | undefined,
    isOnRecord: boolean,
  ): void => {
    tasks.push({ key: `${kind}:${id}`, kind, subjectId: id, name, minutes, isOnRecord })
  }
  for (const batch of batches) {
    const { days, demand, bars } = batch
    if (days.prepDay === day && demand.prepHours > 0) add('prepare', batch, minutesOf(demand.prepHours), batch.isPoured)
    if (days.pourDay === day) add('pour', batch, minutesOf(demand.pourHours), batch.isPoured)
    if (days.cutDay === day) {
      add('unmould', batch, undefined, batch.isUnmoulded)
      add('cut', batch, minutesOf(demand.cutHours), batch.isCut)
      if (batch.stamped) add('stamp', batch, Math.round(bars * times.stampMinutesPerBar), false)
    }
    const cureDay = daysBetween(days.cutDay, day)
    if (batch.bevelled && cureDay === bevelDaysAfterCut)
      add('bevel', batch, Math.round(bars * times.bevelMinutesPerBar), false)
    if (batch.isReleased || cureDay <= 0 || day > days.readyDay) continue
    if (cureDay % turnEveryDays === 0 && day < days.readyDay) add('turn', batch, undefined, false)
    if (cureDay % weighInEveryDays === 0) add('weigh', batch, undefined, batch.weighedOn.includes(day))
    if (day === days.readyDay) add('label', batch, undefined, false)
  }
  for (const release of releases) add('release', release, undefined, false)
  if (tasks.some(({ kind }) => kind === 'pour')) add('set_up', { id: '', name: '' }, minutesOf(times.setupHours), false)
  const order = (task: DayTask): number => dayTaskKinds.indexOf(task.kind)
  return tasks.sort((a, b) => order(a) - order(b) || a.name.localeCompare(b.name))
}

/** Minutes of the tasks that have any. */
export function minutesOfTasks(tasks: readonly DayTask[]): number {
  return tasks.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0)
}
