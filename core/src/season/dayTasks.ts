import type { Day } from '../calendar'
import { daysBetween } from '../calendar'
import { photoCureDays, turnEveryDays, weighInEveryDays } from '../cure'
import type { Finish } from '../cutting'
import { bevelDaysAfterCut } from '../loaf'
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
  'photograph',
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
  readonly photographedOn: readonly Day[]
  /** Days on which its bars were turned, all of them. */
  readonly turnedOn: readonly Day[]
  /** Bars of it that a kind of finishing is done with. */
  readonly finishedBars: Readonly<Partial<Record<Finish, number>>>
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
  /** As learned from what was logged. */
  readonly minutesPerBar: (finish: Finish) => number
}

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
  const finish = (kind: DayTaskKind, work: Finish, batch: BatchAtWork): void =>
    add(
      kind,
      batch,
      Math.round(batch.bars * times.minutesPerBar(work)),
      batch.isCut && (batch.finishedBars[work] ?? 0) >= batch.bars,
    )
  for (const batch of batches) {
    const { days, demand } = batch
    if (days.prepDay === day && demand.prepHours > 0) add('prepare', batch, minutesOf(demand.prepHours), batch.isPoured)
    if (days.pourDay === day) add('pour', batch, minutesOf(demand.pourHours), batch.isPoured)
    if (days.cutDay === day) {
      add('unmould', batch, undefined, batch.isUnmoulded)
      add('cut', batch, minutesOf(demand.cutHours), batch.isCut)
      if (batch.stamped) finish('stamp', 'stamped', batch)
    }
    const cureDay = daysBetween(days.cutDay, day)
    if (batch.bevelled && cureDay === bevelDaysAfterCut) finish('bevel', 'bevelled', batch)
    if (batch.isReleased || cureDay <= 0 || day > days.readyDay) continue
    if (cureDay % turnEveryDays === 0 && day < days.readyDay)
      add('turn', batch, undefined, batch.turnedOn.includes(day))
    if (cureDay % weighInEveryDays === 0) add('weigh', batch, undefined, batch.weighedOn.includes(day))
    if (photoCureDays.some((on) => on === cureDay))
      add('photograph', batch, undefined, batch.photographedOn.includes(day))
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
