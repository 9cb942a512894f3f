import type { Day } from '../calendar'
import { addDays, daysBetween } from '../calendar'
import type { School } from '../recipe'
import { prepDayBefore, usualPrepAhead } from './problem/prepDay'
import type { WorkingHours } from './workingHours'
import { hoursOn } from './workingHours'

/** What a batch asks of days and hands. */
export interface BatchDemand {
  /** Hours of preparation, on the last working day before the pour; 0: it needs none. */
  readonly prepHours: number
  /** How many days before the pour that may be at the most. @default 1, the very day before */
  readonly prepAhead?: number
  readonly pourHours: number
  readonly cutHours: number
  /** Days in the mould. */
  readonly setDays: { readonly min: number; readonly max: number }
  /** Days from the cut until it is ready. */
  readonly cureDays: number
  /** Whether its moulds sit in the oven on the night after the pour. */
  readonly oven: boolean
}

/** The days of one batch, in order. */
export interface BatchDays {
  /** Null where it needs no preparation. */
  readonly prepDay: Day | null
  readonly pourDay: Day
  readonly cutDay: Day
  /** End of the cure: the bars may be released from this day on. */
  readonly readyDay: Day
}

/**
 * What follows from a pour day: the preparation on the last working day before it with hours for it; the cut on the first day with hours within the setting time (the earliest when none
 * has), and the end of the cure after it.
 *
 * @throws {RangeError} if `pourDay` is no day
 */
export function batchDays(pourDay: Day, demand: BatchDemand, working: WorkingHours): BatchDays {
  let cutDay = addDays(pourDay, demand.setDays.min)
  for (let set = demand.setDays.min; set <= demand.setDays.max; set++) {
    const day = addDays(pourDay, set)
    if (hoursOn(day, working) >= demand.cutHours) {
      cutDay = day
      break
    }
  }
  const prep = prepDayBefore(0, demand, (day) => hoursOn(addDays(pourDay, day), working))
  const prepDay = demand.prepHours > 0 ? addDays(pourDay, prep) : null
  return { prepDay, pourDay, cutDay, readyDay: addDays(cutDay, demand.cureDays) }
}

/** The last pour day from which the bars can be ready on `neededDay`, working days or not. @throws {RangeError} */
export function latestPourDay(neededDay: Day, demand: BatchDemand): Day {
  return addDays(neededDay, -(demand.cureDays + demand.setDays.min))
}

/** Days to spare between the end of the cure and the day the bars are needed; negative when late. @throws {RangeError} */
export function slackDays(days: BatchDays, neededDay: Day): number {
  return daysBetween(days.readyDay, neededDay)
}

/** What a batch by this recipe asks of this workshop. */
export function batchDemand(
  recipe: {
    readonly setDaysMin: number
    readonly setDaysMax: number
    readonly cureDays: number
    readonly oven: boolean
    readonly school?: Pick<School, 'lye'>
  },
  workshop: {
    readonly prepHours: number
    readonly prepAheadDays: number
    readonly pourHours: number
    readonly cutHours: number
  },
): BatchDemand {
  const { prepHours, prepAheadDays, pourHours, cutHours } = workshop
  return {
    prepHours,
    // Lye that is made the night before is kept for that night.
    prepAhead: recipe.school?.lye === 'night_before' ? usualPrepAhead : prepAheadDays,
    pourHours,
    cutHours,
    setDays: { min: recipe.setDaysMin, max: recipe.setDaysMax },
    cureDays: recipe.cureDays,
    oven: recipe.oven,
  }
}

/** Planned days set right by what has happened: a cut that was made moves the end of the cure. @throws {RangeError} */
export function daysAsHappened(days: BatchDays, cutDay: Day | undefined, demand: BatchDemand): BatchDays {
  return cutDay === undefined ? days : { ...days, cutDay, readyDay: addDays(cutDay, demand.cureDays) }
}
