import type { Day } from '../calendar'
import { daysBetween } from '../calendar'
import { inOrder } from '../cure'
import type { LoafState } from '../loaf'
import { sellThrough } from '../release'

/** A loaf as far as it is looked back on. */
export interface LookedBack {
  readonly barsPlanned: number
  readonly labelMassG: number
  readonly cureDays: number
  readonly state: LoafState
}

/** A pour as far as it is looked back on. */
export interface PourLookedBack {
  /** Hours that preparing and pouring it were planned with. */
  readonly plannedHours: number
  /** Hours that its steps took; null where they were not written down as they were done. */
  readonly benchHours: number | null
  /** What was taken of the lots, cents; lots without a price left out. */
  readonly ingredientCents: number
}

/** A pause at the bench longer than this, minutes, is taken for a break or another day. A rule of the house. */
export const longestPauseMin = 45

/** Hours of work between steps that were written down at these moments (ISO 8601), longer pauses left out; null for fewer than two. */
export function benchHours(moments: readonly string[]): number | null {
  const times = moments.map((moment) => Date.parse(moment)).sort((a, b) => a - b)
  const minutes = times.slice(1).reduce((sum, time, at) => {
    const pauseMin = (time - times[at]!) / 60_000
    return sum + (pauseMin > longestPauseMin ? 0 : pauseMin)
  }, 0)
  return minutes > 0 ? minutes / 60 : null
}

/** What was planned for some loaves, and what came of them. */
export interface LookBack {
  readonly loaves: number
  readonly barsPlanned: number
  readonly barsCut: number
  readonly barsReleased: number
  readonly barsSold: number
  /** Mean mass of the marked bars at their last weighing, g; undefined where none was weighed. */
  readonly lastMassG: number | undefined
  readonly labelMassG: number
  /** Minutes of finishing that were logged. */
  readonly finishMinutes: number
  readonly takenCents: number
  readonly ingredientCents: number
  /** Hours of preparing and pouring, planned and as they were, of the pours that were timed. */
  readonly hours: { readonly planned: number; readonly taken: number } | undefined
  /** Days of cure on average, planned and until the release, of the loaves that were released. */
  readonly cure: { readonly plannedDays: number; readonly takenDays: number } | undefined
  /** Day on which the last of them was released. */
  readonly lastReleaseDay: Day | undefined
  readonly sellThrough: ReturnType<typeof sellThrough>
}

/** Looks back on the loaves of a soap or a collection, and on their pours. */
export function lookBack(loaves: readonly LookedBack[], pours: readonly PourLookedBack[] = []): LookBack {
  const sum = (of: (loaf: LookedBack) => number): number => loaves.reduce((total, loaf) => total + of(loaf), 0)
  const last = loaves.flatMap(({ state }) => inOrder(state.weighIns).at(-1) ?? [])
  const timed = pours.filter((pour) => pour.benchHours !== null)
  const cured = loaves.flatMap(({ cureDays, state: { cut, release } }) =>
    cut && release ? [{ cureDays, takenDays: daysBetween(cut.day, release.day), day: release.day }] : [],
  )
  return {
    loaves: loaves.length,
    barsPlanned: sum(({ barsPlanned }) => barsPlanned),
    barsCut: sum(({ state }) => state.cut?.bars ?? 0),
    barsReleased: sum(({ state }) => state.releasedBars),
    barsSold: sum(({ state }) => state.channels.reduce((total, { sold }) => total + sold, 0)),
    lastMassG: last.length > 0 ? last.reduce((total, { massG }) => total + massG, 0) / last.length : undefined,
    labelMassG: Math.max(0, ...loaves.map(({ labelMassG }) => labelMassG)),
    finishMinutes: sum(({ state }) => state.finished.reduce((total, { minutes }) => total + minutes, 0)),
    takenCents: sum(({ state }) => state.takenCents),
    ingredientCents: Math.round(pours.reduce((total, pour) => total + pour.ingredientCents, 0)),
    hours:
      timed.length > 0
        ? {
            planned: timed.reduce((total, pour) => total + pour.plannedHours, 0),
            taken: timed.reduce((total, pour) => total + (pour.benchHours ?? 0), 0),
          }
        : undefined,
    cure:
      cured.length > 0
        ? {
            plannedDays: cured.reduce((total, one) => total + one.cureDays, 0) / cured.length,
            takenDays: cured.reduce((total, one) => total + one.takenDays, 0) / cured.length,
          }
        : undefined,
    lastReleaseDay: cured
      .map(({ day }) => day)
      .sort()
      .at(-1),
    sellThrough: sellThrough(loaves.map(({ state }) => state)),
  }
}
